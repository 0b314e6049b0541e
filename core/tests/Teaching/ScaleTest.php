<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Teaching;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\UnknownPitch;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Teaching\Scale;
use UprightPencil\Core\Teaching\ScaleMode;
use UprightPencil\Core\Tests\Support\Marked;

final class ScaleTest extends TestCase
{
    #[DataProvider('scales')]
    public function test_a_scale_is_spelled_in_its_key(string $tonic, ScaleMode $mode, bool $arpeggio, string $key, string $notes): void
    {
        $score = Scale::of(Instrument::Violin, $tonic, $mode, 1, $arpeggio);

        self::assertSame($key, $score->parts[0]->measures[0]->key?->name());
        self::assertSame($notes, implode(' ', array_map(static fn (Note $note): string => (string) $note->pitch?->name(), $score->parts[0]->notes())));
    }

    /** @return iterable<array{string, ScaleMode, bool, string, string}> */
    public static function scales(): iterable
    {
        yield ['D', ScaleMode::Major, false, 'D major', 'D4 E4 F#4 G4 A4 B4 C#5 D5 C#5 B4 A4 G4 F#4 E4 D4'];
        yield ['Bb', ScaleMode::Major, false, 'Bb major', 'Bb3 C4 D4 Eb4 F4 G4 A4 Bb4 A4 G4 F4 Eb4 D4 C4 Bb3'];
        yield ['A', ScaleMode::NaturalMinor, false, 'A minor', 'A3 B3 C4 D4 E4 F4 G4 A4 G4 F4 E4 D4 C4 B3 A3'];
        yield ['A', ScaleMode::HarmonicMinor, false, 'A minor', 'A3 B3 C4 D4 E4 F4 G#4 A4 G#4 F4 E4 D4 C4 B3 A3'];
        yield ['E', ScaleMode::MelodicMinor, false, 'E minor', 'E4 F#4 G4 A4 B4 C#5 D#5 E5 D5 C5 B4 A4 G4 F#4 E4'];
        yield ['G', ScaleMode::Chromatic, false, 'G major', 'G3 G#3 A3 A#3 B3 C4 C#4 D4 D#4 E4 F4 F#4 G4 Gb4 F4 E4 Eb4 D4 Db4 C4 B3 Bb3 A3 Ab3 G3'];
        yield ['C', ScaleMode::Major, true, 'C major', 'C4 E4 G4 C5 G4 E4 C4'];
        yield ['Ab', ScaleMode::Major, false, 'Ab major', 'Ab3 Bb3 C4 Db4 Eb4 F4 G4 Ab4 G4 F4 Eb4 Db4 C4 Bb3 Ab3'];
    }

    #[DataProvider('patterns')]
    public function test_a_scale_takes_the_fingers_of_its_pattern(Instrument $instrument, string $tonic, int $octaves, Level $level, string $fingers): void
    {
        $score = Scale::of($instrument, $tonic, ScaleMode::Major, $octaves);

        self::assertSame($fingers, Marked::score($score, new Settings(ClassProfile::of($level), $instrument))->fingers());
    }

    /** @return iterable<string, array{Instrument, string, int, Level, string}> */
    public static function patterns(): iterable
    {
        yield 'from an open string, 2-3 on both' => [Instrument::Violin, 'D', 1, Level::FirstYear, '0 1 2 3 0 1 2 3 2 1 0 3 2 1 0'];
        yield 'from the first finger, 3-4 on both' => [Instrument::Violin, 'A', 1, Level::SecondYear, '1 2 H3 0 1 2 H3 0 H3 2 1 4 H3 2 1'];
        yield 'viola from the open C' => [Instrument::Viola, 'C', 1, Level::FirstYear, '0 1 2 3 0 1 2 3 2 1 0 3 2 1 0'];
        yield 'cello from the low D, with extensions' => [Instrument::Cello, 'D', 1, Level::SecondYear, '1 x2 x4 0 1 x2 x4 0 x4 x2 1 0 x4 x2 1'];
        yield 'cello from the open G' => [Instrument::Cello, 'G', 1, Level::FirstYear, '0 1 3 4 0 1 3 4 3 1 0 4 3 1 0'];
        yield 'bass from the low G' => [Instrument::Bass, 'G', 1, Level::FirstYear, '2 0 1 2 0 1 4 0 4 1 0 2 1 0 2'];
    }

    public function test_scales_fill_their_measures_and_start_on_the_lowest_tonic(): void
    {
        foreach (Instrument::cases() as $instrument) {
            foreach (range(1, 2) as $octaves) {
                $part = Scale::of($instrument, 'G', ScaleMode::Major, $octaves)->parts[0];
                foreach ($part->measures as $measure) {
                    self::assertSame(1920, array_sum(array_map(static fn (Note $note): int => $note->duration, $measure->notes())));
                }
                self::assertSame(7, (int) $part->notes()[0]->pitch?->midi() % 12);
            }
        }
    }

    public function test_more_octaves_than_the_instrument_has_are_refused(): void
    {
        $this->expectException(UnknownPitch::class);
        Scale::of(Instrument::Bass, 'Eb', ScaleMode::Major, 3);
    }
}
