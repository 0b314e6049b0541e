<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Ensemble;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Ensemble\LineUp;
use UprightPencil\Core\Ensemble\PieceMarker;
use UprightPencil\Core\Format\Music;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Tests\Support\Tune;

/** Sections worked out together, the figures they share, and what is out of line. */
final class LineUpTest extends TestCase
{
    private const PHRASE = 'D5q E5 F#5 G5 | A5h F#5q G5 | ';

    public function test_a_phrase_that_comes_again_is_bowed_as_before(): void
    {
        $score = self::score(['Violin 1' => '2# | '.self::PHRASE.'A5q B5 A5 r | D5h. D5q | '.self::PHRASE.'A5q B5 A5 r | D5w']);
        [$marked] = self::marked($score);
        $bows = self::bows($marked);

        self::assertSame(substr($bows, 0, 7), substr($bows, 12, 7));
    }

    public function test_sections_with_the_same_rhythm_begin_a_passage_alike(): void
    {
        $score = self::score(['Violin 1' => '2# | D5q E5 r F#5 | G5 A5 G5 F#5 | D5w', 'Viola' => '2# | D4q r E4 F#4 | G4 A4 G4 F#4 | D4w', 'Cello' => '2# | D3h. F#3q | G3 A3 G3 F#3 | D3w']);
        $starts = array_map(static fn (MarkedPart $part): array => array_values(array_map(static fn (NoteMark $note): ?string => $note->bow?->direction?->value, array_filter($part->notes, static fn (NoteMark $note): bool => $note->place->measure === '2'))), self::marked($score));

        self::assertSame($starts[0], $starts[1]);
        self::assertSame($starts[0], $starts[2]);
    }

    public function test_sections_that_have_no_time_to_lift_are_followed_by_those_that_have(): void
    {
        $tune = '2# =104 | D%1$dq E%1$d F#%1$dh | D%1$dq E%1$d F#%1$d E%1$d | D%1$dw';
        $score = self::score(['Violin 1' => sprintf($tune, 4), 'Cello' => sprintf($tune, 3), 'Bass' => sprintf($tune, 3)]);
        $alone = array_map(fn (int $part): string => self::bows(self::marked($score->with(parts: [$score->parts[$part]]), level: Level::FirstYear)[0]), [0, 1]);
        $together = array_map(self::bows(...), self::marked($score, level: Level::FirstYear));

        self::assertNotSame($alone[0], $alone[1], 'by themselves the violins lift and the cellos hook');
        self::assertSame([$alone[1]], array_values(array_unique($together)));
    }

    #[DataProvider('pieces')]
    public function test_the_sections_of_the_demo_agree(string $file): void
    {
        $level = str_contains($file, 'line-') ? Level::FirstYear : Level::SecondYear;
        $findings = self::lineUp(Music::read((string) file_get_contents($file))->score, level: $level)['findings'];

        self::assertSame([], array_values(array_filter($findings, static fn (array $finding): bool => $finding['code'] === 'bows-differ')));
    }

    public function test_a_decision_in_one_section_changes_no_other(): void
    {
        $score = self::score(['Violin 1' => '2# | '.self::PHRASE.'D5w', 'Violin 2' => '2# | '.self::PHRASE.'D5w']);
        $before = self::marked($score);
        $after = self::marked($score, [['part' => 'P1', 'note' => 'P1n1', 'direction' => 'up']]);

        self::assertNotSame(self::bows($before[0]), self::bows($after[0]));
        self::assertSame('decided: P1', 'decided: '.implode(' ', array_unique(array_map(static fn (NoteMark $note): string => substr($note->note->id, 0, 2), array_filter([...$after[0]->notes, ...$after[1]->notes], static fn (NoteMark $note): bool => $note->decided !== [])))));
    }

    public function test_a_figure_is_found_at_any_beat_and_pitch(): void
    {
        $score = self::score(['Violin 1' => '2# | D5e E5 F#5 G5 A5q rq | rw | D5w', 'Cello' => '2# | rw | rh D3e E3 F#3 G3 | A3q r r r']);
        $figures = self::lineUp($score)['figures'];

        self::assertCount(1, $figures);
        self::assertSame(['A', 5], [$figures[0]['id'], $figures[0]['notes']]);
        self::assertSame([['P1', '1', 1.0, 0], ['P2', '2', 3.0, -24]], array_map(static fn (array $place): array => [$place['part'], $place['measure'], $place['beat'], $place['transposed']], $figures[0]['places']));
    }

    public function test_printed_bows_that_differ_are_one_finding_a_passage_and_its_fix_removes_it(): void
    {
        $score = self::score(['Violin 1' => '2# | D5q!d E5 F#5 G5 | A5 G5 F#5 E5 | D5w', 'Violin 2' => '2# | D4q!u E4 F#4 G4 | A4 G4 F#4 E4 | D4w']);
        $findings = array_values(array_filter(self::lineUp($score)['findings'], static fn (array $finding): bool => $finding['code'] === 'bows-differ'));

        self::assertCount(1, $findings);
        self::assertSame([['measure' => '1', 'beat' => 1.0], 'Violin 2 bows otherwise than Violin 1 with the same rhythm.'], [$findings[0]['from'], $findings[0]['message']]);
        self::assertNotContains('bows-differ', array_column(self::lineUp($score, $findings[0]['fixes'][0]['decisions'])['findings'], 'code'));
    }

    #[DataProvider('pieces')]
    public function test_every_fix_removes_its_finding(string $file): void
    {
        $score = Music::read((string) file_get_contents($file))->score;
        foreach (self::lineUp($score)['findings'] as $finding) {
            $after = self::lineUp($score, $finding['fixes'][0]['decisions'])['findings'];
            self::assertNotContains([$finding['code'], $finding['from'], $finding['to'], $finding['parts']], array_map(static fn (array $other): array => [$other['code'], $other['from'], $other['to'], $other['parts']], $after), $finding['message']);
        }
        self::addToAssertionCount(1);
    }

    /** @return iterable<string, array{string}> */
    public static function pieces(): iterable
    {
        foreach (glob(dirname(__DIR__, 3).'/demo/*.musicxml') ?: [] as $file) {
            yield basename($file) => [$file];
        }
    }

    /** @param array<string, string> $tunes name => tune */
    private static function score(array $tunes): Score
    {
        $parts = [];
        foreach ($tunes as $name => $tune) {
            $number = count($parts) + 1;
            $part = Tune::score($tune, $name)->parts[0];
            $parts[] = self::renamed($part, "P{$number}");
        }

        return Tune::score('D5w')->with(parts: $parts);
    }

    private static function renamed(Part $part, string $id): Part
    {
        $measures = array_map(static fn (Measure $measure): Measure => $measure->with(items: array_map(static fn (object $item): object => $item instanceof Note ? $item->with(id: $id.$item->id) : $item, $measure->items)), $part->measures);

        return $part->with(id: $id, measures: $measures);
    }

    /**
     * @param  list<array<string, mixed>>  $decisions
     * @return list<MarkedPart>
     */
    private static function marked(Score $score, array $decisions = [], Level $level = Level::SecondYear): array
    {
        $all = array_map(Decision::fromArray(...), $decisions);
        $own = array_map(static fn (Part $part): PartDecisions => PartDecisions::of($part, PartDecisions::about($part, $score, $all)), $score->parts);

        return PieceMarker::mark($score, $score->parts, $own, array_fill(0, count($score->parts), new Settings(ClassProfile::of($level))));
    }

    /**
     * @param  list<array<string, mixed>>  $decisions
     * @return array{figures: list<array{id: string, notes: int, places: list<array{part: string, measure: string, beat: float, transposed: int}>}>, findings: list<array{code: string, from: array<string, mixed>, to: array<string, mixed>, parts: list<string>, message: string, fixes: non-empty-list<array{decisions: list<array<string, mixed>>}>}>}
     */
    private static function lineUp(Score $score, array $decisions = [], Level $level = Level::SecondYear): array
    {
        $all = array_map(Decision::fromArray(...), $decisions);
        /** @var array{figures: list<array{id: string, notes: int, places: list<array{part: string, measure: string, beat: float, transposed: int}>}>, findings: list<array{code: string, from: array<string, mixed>, to: array<string, mixed>, parts: list<string>, message: string, fixes: non-empty-list<array{decisions: list<array<string, mixed>>}>}>} $made */
        $made = LineUp::worked($score, $score->parts, array_map(static fn (Part $part): array => PartDecisions::about($part, $score, $all), $score->parts), array_fill(0, count($score->parts), new Settings(ClassProfile::of($level))))->toArray();

        return $made;
    }

    private static function bows(MarkedPart $part): string
    {
        return implode('', array_map(static fn (NoteMark $note): string => $note->bow?->direction?->value[0] ?? '-', $part->notes));
    }
}
