<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Teaching;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Format\Music;
use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Teaching\Lines\Differences;
use UprightPencil\Core\Teaching\Lines\Unison;
use UprightPencil\Core\Tests\Support\RandomTune;
use UprightPencil\Core\Tests\Support\Tune;

/** One line for four instruments. */
final class UnisonTest extends TestCase
{
    private const TUNE = '4/4 2# =90 | D4q E4 F#4 G4 | A4q B4 A4h | F#4q (E4 D4) E4 | D4w';

    private static function line(string $tune, Level $level = Level::FirstYear, Instrument ...$for): Unison
    {
        $score = Tune::score($tune);

        return Unison::of($score, $score->parts[0], $for === [] ? Instrument::cases() : array_values($for), new Settings(ClassProfile::of($level)));
    }

    /** @return list<string> */
    private static function fingers(MarkedPart $part): array
    {
        return array_map(static fn (NoteMark $mark): string => ($mark->finger->string ?? '-').($mark->finger?->fingering->stop->finger ?? '-'), $part->sounding());
    }

    public function test_each_instrument_has_the_line_in_its_clef_where_a_first_year_plays_it(): void
    {
        $line = self::line(self::TUNE);
        self::assertSame(['violin' => 0, 'viola' => 0, 'cello' => -1, 'bass' => -1], $line->octaves);
        self::assertSame(['G2', 'C3', 'F4', 'F4'], array_map(static fn (MarkedPart $part): string => $part->part->clefs()[0]->sign.$part->part->clefs()[0]->line, $line->marked));
        self::assertSame(['D0', 'D1', 'D2', 'D3', 'A0', 'A1', 'A0', 'D2', 'D1', 'D0', 'D1', 'D0'], self::fingers($line->marked[0]));
        self::assertSame(self::fingers($line->marked[0]), self::fingers($line->marked[1]), 'violas in unison have the same strings and fingers');
        self::assertSame(['D0', 'D1', 'D3', 'D4', 'A0', 'A1', 'A0', 'D3', 'D1', 'D0', 'D1', 'D0'], self::fingers($line->marked[2]));
        self::assertSame('D0 D1 D4 G0', implode(' ', array_slice(self::fingers($line->marked[3]), 0, 4)));
        // The bass is written where the cello is, and sounds an octave lower.
        self::assertSame('D3', $line->marked[3]->sounding()[0]->note->pitch?->name());
        self::assertSame(38, $line->marked[3]->soundingMidi($line->marked[3]->sounding()[0]->note));
    }

    public function test_the_teachers_sheet_says_where_they_differ_and_who_shares_all(): void
    {
        $told = Differences::of(self::line('4/4 2# =90 | D4q E4 F#4 G4 | A4q G4 F#4 E4 | D4w', Level::SecondYear))->toArray();
        self::assertContains(['parts' => ['violin', 'viola'], 'words' => 'the same strings and fingers'], $told['shared']);
        self::assertNotContains('cello', array_merge(...array_column($told['shared'], 'parts')), 'a cello has 3 where a violin has 2');
        foreach (Differences::of(self::line('4/4 2# =90 | D4q E4 F#4 G4 | A4q G4 F#4 E4 | D4w', Level::SecondYear))->places as $place) {
            self::assertNotSame([], $place->measures);
            self::assertLessThan(4, count($place->parts), 'what all do is no difference');
        }
        self::assertSame([], Differences::of(self::line(self::TUNE, Level::FirstYear, Instrument::Violin))->toArray()['differs']);
    }

    public function test_a_shift_that_the_violins_do_not_have_is_told(): void
    {
        $told = Differences::of(self::line('4/4 2# =90 | D4q A4 B4 C#5 | D5q E5 D5h | D4w', Level::ThirdYear, Instrument::Violin, Instrument::Cello))->toArray();
        self::assertNotSame([], array_filter($told['differs'], static fn (array $place): bool => $place['what'] === 'shift' && $place['parts'] === ['cello']));
    }

    /** @return iterable<string, array{string, Level}> */
    public static function tunes(): iterable
    {
        for ($seed = 1; $seed <= 40; $seed++) {
            yield "tune {$seed}" => [RandomTune::of($seed, $seed % 5 === 0), Level::cases()[$seed % 3]];
        }
    }

    #[DataProvider('tunes')]
    public function test_all_play_the_same_note_with_the_same_bow_each_within_reach(string $tune, Level $level): void
    {
        $line = self::line($tune, $level);
        self::assertCount(4, $line->score->parts);
        $ids = array_map(static fn (Note $note): string => $note->id, array_merge(...array_map(static fn ($part): array => $part->notes(), $line->score->parts)));
        self::assertSame($ids, array_values(array_unique($ids)));
        foreach ($line->aligned()[0] as $place => $first) {
            foreach ($line->marked as $index => $part) {
                $mark = $line->aligned()[$index][$place];
                self::assertNotNull($mark?->finger, "{$part->instrument->value} cannot play note {$place}");
                self::assertSame((int) $first?->note->pitch?->midi() % 12, (int) $mark->note->pitch?->midi() % 12);
                self::assertSame([$first?->note->onset, $first?->note->duration], [$mark->note->onset, $mark->note->duration]);
                $stop = $mark->finger->fingering->stop;
                self::assertSame($part->soundingMidi($mark->note), $part->instrument->string($stop->string)->midi + $stop->offset);
            }
        }
        $again = Music::read(Music::write($line->written(), 'musicxml'))->score;
        self::assertSame(array_map(static fn ($part): int => count($part->notes()), $line->score->parts), array_map(static fn ($part): int => count($part->notes()), $again->parts));
    }
}
