<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Marking;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Format\MusicXml\Reader;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\Finding;
use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\MarkedScore;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\PartMarker;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Marking\SizeUp;
use UprightPencil\Core\Marking\TransferSheet;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Strings\BowingSchool;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Tests\Support\RandomTune;
use UprightPencil\Core\Tests\Support\Tune;

/** Of a long part only some passages are entered: each is worked out as if it were a part, and nothing is said of the rest. */
final class SparsePartTest extends TestCase
{
    #[DataProvider('tunes')]
    public function test_a_passage_is_bowed_and_fingered_as_if_it_stood_alone(Score $first, Score $second): void
    {
        $sparse = self::sparse($first, 3, $second);
        $whole = self::told(self::marked($sparse));

        self::assertSame([...self::told(self::marked($first)), ...self::told(self::marked(self::named($second)))], $whole);
    }

    /** @return iterable<string, array{Score, Score}> */
    public static function tunes(): iterable
    {
        for ($seed = 1; $seed <= 20; $seed++) {
            yield "tunes {$seed}" => [Tune::score(RandomTune::of($seed, $seed % 3 === 0), 'Violin'), Tune::score(RandomTune::of($seed + 100, $seed % 2 === 0), 'Violin')];
        }
    }

    public function test_which_way_a_passage_begins_is_asked_until_somebody_says_it(): void
    {
        $sparse = self::sparse(Tune::score('4/4 2# | D4q E4 F#4 G4 | A4w'), 2, Tune::score('4/4 2# | A4q G4 F#4 E4 | D4w'));
        $asked = self::begins(self::marked($sparse));

        self::assertSame(['b-n1' => 'What comes before measure 5 is not entered. Which way does the bow begin there? It is taken as down-bow.'], $asked);
        self::assertSame(['begin-down', 'begin-up'], array_map(static fn ($fix): string => $fix->action, array_values(array_filter(self::marked($sparse)->findings, static fn (Finding $finding): bool => $finding->code === 'passage-begins'))[0]->fixes));

        $said = self::marked($sparse, [Decision::fromArray(['note' => 'b-n1', 'direction' => 'up'])]);
        self::assertSame([], self::begins($said));
        self::assertSame(BowSign::Up, $said->notes[5]->bow?->direction);
        self::assertSame([], self::begins(self::marked($sparse, [Decision::fromArray(['note' => 'b-n1', 'direction' => 'down'])])));
    }

    public function test_nothing_is_asked_where_the_part_itself_begins_or_a_rest_goes_before(): void
    {
        $rested = Tune::score('4/4 2# | rw | D4q E4 F#4 G4 | A4w');

        self::assertSame([], self::begins(self::marked($rested)));
        self::assertSame([], self::begins(self::marked(self::sparse($rested, 2, null))));
    }

    public function test_a_repeat_that_leads_out_of_a_passage_claims_nothing(): void
    {
        // The repeat goes back to somewhere that nobody entered.
        $sparse = self::sparse(null, 4, Tune::score('3/4 2# | D4q E4 F#4 | G4h A4q :| B4h.'));
        $codes = array_map(static fn (Finding $finding): string => $finding->code, self::marked($sparse)->findings);

        self::assertNotContains('repeat-mismatch', $codes);
        self::assertSame(['passage-begins'], array_values(array_filter($codes, static fn (string $code): bool => ! str_starts_with($code, 'plan-'))));
    }

    public function test_sheets_speak_of_the_measures_as_the_print_numbers_them(): void
    {
        $sparse = self::sparse(null, 24, Tune::score('4/4 2# | D4q E4 F#4 G4 | A4w'));
        $marked = self::marked($sparse, [Decision::fromArray(['note' => 'b-n3', 'direction' => 'down']), Decision::fromArray(['note' => 'b-n5', 'finger' => 4])]);

        self::assertSame(['25', '26'], array_values(array_unique(array_column(TransferSheet::of($marked)->lines, 'measure'))));
        self::assertSame('D4', str_replace('♯', '#', SizeUp::of($marked)->toArray()['summary']['lowest']['pitch'] ?? ''));
        $again = Reader::read(Writer::write(MarkedScore::of($sparse, [$marked])))->score->parts[0]->measures;
        self::assertSame([false, true], [$again[0]->entered, $again[24]->entered]);
    }

    public function test_what_is_new_is_told_once_though_it_comes_in_two_passages(): void
    {
        $tune = '4/4 2b | Eb4q F4 G4 Ab4 | Bb4w';
        $size = SizeUp::of(self::marked(self::sparse(Tune::score($tune), 5, Tune::score($tune))))->toArray();
        $firsts = array_column($size['firsts'], 'times', 'what');
        $alone = array_column(SizeUp::of(self::marked(Tune::score($tune)))->toArray()['firsts'], 'times', 'what');

        self::assertCount(count($firsts), $size['firsts']);
        self::assertSame(array_map(static fn (int $times): int => 2 * $times, $alone), $firsts);
        self::assertSame([], array_diff(array_column($size['firsts'], 'measure'), ['1', '2']));
        $new = array_filter($size['troubleSpots'], static fn (array $spot): bool => $spot['code'] === 'first-use');
        self::assertCount(count(array_unique(array_column($new, 'message'))), $new);
    }

    /** @param Score|null $after null: nothing more is entered */
    private static function sparse(?Score $before, int $blank, ?Score $after): Score
    {
        $base = $before ?? $after ?? throw new \LogicException('Something is entered.');
        $measures = $before === null ? [] : $before->parts[0]->measures;
        $last = end($measures) ?: $base->parts[0]->measures[0];
        $length = (int) $last->meter?->ticks($base->resolution);
        for ($index = 0; $index < $blank; $index++) {
            $measures[] = new Measure('', 0, $length, $last->meter, $last->key, items: $index === 0 && $before === null ? $last->attributes() : [], entered: false);
        }
        array_push($measures, ...$after === null ? [] : self::named($after)->parts[0]->measures);
        $start = 0;
        $number = ($measures[0]->implicit ?? false) ? 0 : 1;
        foreach ($measures as $index => $measure) {
            $measures[$index] = $measure->with(number: (string) $number++, start: $start);
            $start += $measure->length;
        }

        return $base->with(parts: [$base->parts[0]->with(measures: $measures)]);
    }

    /** With other names for its notes. */
    private static function named(Score $score): Score
    {
        $measure = static fn (Measure $measure): Measure => $measure->with(items: array_map(static fn (object $item): object => $item instanceof Note ? $item->with(id: "b-{$item->id}") : $item, $measure->items));

        return $score->with(parts: [$score->parts[0]->with(measures: array_map($measure, $score->parts[0]->measures))]);
    }

    /** @param list<Decision> $decisions */
    private static function marked(Score $score, array $decisions = []): MarkedPart
    {
        return PartMarker::mark($score, $score->parts[0], PartDecisions::of($score->parts[0], $decisions), new Settings(ClassProfile::fromArray(['level' => 'second-year']), Instrument::Violin, BowingSchool::StrongBeat));
    }

    /** @return array<string, list<mixed>> */
    private static function told(MarkedPart $marked): array
    {
        $told = [];
        foreach ($marked->notes as $mark) {
            $told[$mark->note->id] = self::ofNote($mark);
        }

        return $told;
    }

    /** @return list<mixed> */
    private static function ofNote(NoteMark $mark): array
    {
        return [$mark->bow?->direction, $mark->bow?->action, $mark->finger?->fingering->stop->string, $mark->finger?->fingering->stop->offset, $mark->finger?->fingering->position];
    }

    /** @return array<string, string> note => what is asked */
    private static function begins(MarkedPart $marked): array
    {
        return array_column(array_map(static fn (Finding $finding): array => [$finding->note, $finding->message], array_values(array_filter($marked->findings, static fn (Finding $finding): bool => $finding->code === 'passage-begins'))), 1, 0);
    }
}
