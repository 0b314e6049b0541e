<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Marking;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Format\Music;
use UprightPencil\Core\Format\MusicXml\Reader;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Marking\MarkedScore;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Marking\TransferSheet;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Tests\Support\Marked;
use UprightPencil\Core\Tests\Support\RandomLine;
use UprightPencil\Core\Tests\Support\RandomTune;
use UprightPencil\Core\Tests\Support\Tune;

/** What is marked survives the way out to any program and back, for music of all kinds. */
final class MarksComeBackTest extends TestCase
{
    #[DataProvider('lines')]
    public function test_a_marked_line_reads_back_with_the_same_marks(Instrument $instrument, Level $level, string $tune): void
    {
        $settings = new Settings(ClassProfile::of($level), $instrument);
        $first = Marked::score(Tune::score($tune), $settings);
        $out = self::written($first);
        $again = Marked::score(Reader::read($out)->score, $settings);

        self::assertSame($first->fingers(), $again->fingers());
        self::assertSame($first->strings(), $again->strings());
        self::assertSame($first->bows(), $again->bows());
        self::assertSame($out, self::written($again), 'the second time nothing is added');
    }

    #[DataProvider('lines')]
    public function test_the_page_and_the_transfer_sheet_say_the_same(Instrument $instrument, Level $level, string $tune): void
    {
        $marked = Marked::tune($tune, $instrument, $level);
        $sheet = TransferSheet::of($marked->part);
        $byNote = [];
        foreach ($marked->drawn() as $mark) {
            $byNote[$mark->note->note->id][$mark->kind->name()] = $mark->text;
        }

        $said = [];
        foreach ($sheet->lines as $line) {
            self::assertNotSame('', $line->words);
            self::assertSame($marked->note($line->notes[0])->place->measure, $line->measure);
            foreach ($line->notes as $note) {
                $said[$note][$line->kind === 'bow' ? 'direction' : $line->kind] = $line->words;
            }
        }
        foreach ($byNote as $note => $marks) {
            self::assertEqualsCanonicalizing(array_keys($marks), array_keys($said[$note] ?? []));
        }
        foreach ($byNote as $note => $marks) {
            foreach (array_intersect_key($marks, ['finger' => 1, 'position' => 1]) as $kind => $text) {
                self::assertStringContainsString("{$kind} {$text}", $said[$note][$kind]);
            }
        }
    }

    #[DataProvider('lines')]
    public function test_every_shift_is_marked_on_the_page(Instrument $instrument, Level $level, string $tune): void
    {
        $marked = Marked::tune($tune, $instrument, $level);
        $positions = $marked->drawnAs('position');
        $hand = null;
        foreach ($marked->part->notes as $note) {
            if ($note->finger === null || $note->finger->fingering->stop->finger === 0) {
                continue;
            }
            if ($hand !== null && $hand !== $note->finger->fingering->hand) {
                self::assertArrayHasKey($note->note->id, $positions, "the hand moves to {$note->note->id}");
            }
            $hand = $note->finger->fingering->hand;
        }
        self::assertSame(array_keys($positions), array_values(array_filter(array_map(static fn (NoteMark $note): ?string => isset($positions[$note->note->id]) ? $note->note->id : null, $marked->part->notes))));
    }

    /** @return iterable<string, array{Instrument, Level, string}> */
    public static function lines(): iterable
    {
        foreach (Instrument::cases() as $instrument) {
            foreach ([Level::FirstYear, Level::SecondYear, Level::ThirdYear] as $level) {
                for ($seed = 1; $seed <= 3; $seed++) {
                    yield "{$instrument->value} {$level->value} {$seed}" => [$instrument, $level, RandomLine::of($instrument, 31 * $seed, 24)];
                }
            }
        }
        for ($seed = 1; $seed <= 6; $seed++) {
            yield "a tune in D {$seed}" => [Instrument::Violin, Level::SecondYear, RandomTune::of($seed)];
        }
    }

    #[DataProvider('decisions')]
    public function test_far_places_stay_as_they_were(int $seed): void
    {
        $tune = RandomLine::of(Instrument::Violin, $seed, 24);
        $free = Marked::tune($tune, level: Level::ThirdYear)->part->notes;
        $at = 3 + $seed % 5;
        $decided = Marked::tune($tune, level: Level::ThirdYear, decisions: [['note' => $free[$at]->note->id, 'position' => 3]])->part->notes;

        foreach (self::beyondTheNextRest($tune, $free, $at) as $index) {
            self::assertEquals($free[$index]->finger?->fingering?->stop, $decided[$index]->finger?->fingering?->stop, "note {$index} of seed {$seed}");
        }
        self::assertCount(count($free), $decided);
    }

    /** @return iterable<array{int}> */
    public static function decisions(): iterable
    {
        for ($seed = 1; $seed <= 20; $seed++) {
            yield [$seed];
        }
    }

    /**
     * @param  list<NoteMark>  $notes
     * @return list<int>
     */
    private static function beyondTheNextRest(string $tune, array $notes, int $at): array
    {
        preg_match_all('/\(?[A-Gr][#b]?\d?q\)?/', $tune, $words);
        $index = -1;
        $beyond = false;
        $found = [];
        foreach ($words[0] as $word) {
            if (str_starts_with($word, 'r')) {
                $beyond = $beyond || $index >= $at;

                continue;
            }
            $index++;
            $beyond && $found[] = $index;
        }

        return array_values(array_filter($found, static fn (int $place): bool => isset($notes[$place])));
    }

    public function test_what_is_left_to_the_player_is_left_to_the_player_when_it_comes_back(): void
    {
        $settings = new Settings(instrument: Instrument::Violin);
        $first = Marked::score(Tune::score('2# =96 D5q A4 F#4 A4 | G4q A4 B4h'), $settings, [['note' => 'n4', 'choice' => true]]);
        $again = Marked::score(Reader::read(self::written($first))->score, $settings);

        self::assertSame('0/4', $first->written('n4'));
        self::assertSame('0/4', $again->written('n4'));
        self::assertSame(self::written($first), self::written($again));
    }

    public function test_a_compressed_file_brings_the_marks_back_as_well(): void
    {
        $marked = Marked::tune('2# =80 | D5q E5 F#5 G5 | A5 B5 C#6 D6 | C#6 B5 A5h');
        $out = Music::write(MarkedScore::of(Tune::score('2# =80 | D5q E5 F#5 G5 | A5 B5 C#6 D6 | C#6 B5 A5h'), [$marked->part]), 'mxl');

        self::assertSame($marked->fingers(), Marked::score(Music::read($out)->score, new Settings(instrument: Instrument::Violin))->fingers());
    }

    private static function written(Marked $marked): string
    {
        return Writer::write(MarkedScore::of(new Score('Tune', '', 480, [$marked->part->part]), [$marked->part]));
    }
}
