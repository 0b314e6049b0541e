<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Teaching;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Marking\HouseStyle;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Marking\SizeUp;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Teaching\Scale;
use UprightPencil\Core\Teaching\ScaleMode;
use UprightPencil\Core\Tests\Support\Marked;

/** Scales as they are taught: by their finger patterns, in keys to four sharps and four flats, on all four instruments. */
final class ScalePatternsTest extends TestCase
{
    /** “One-octave major scale that starts on finger 1 of a string: 3-4 on both strings, in any position.” */
    #[DataProvider('fromTheFirstFinger')]
    public function test_a_major_scale_from_the_first_finger_has_3_4_on_both_strings(Instrument $instrument, string $key, string $tune, string $string, float $position, string $patterns): void
    {
        $decisions = array_map(static fn (int $note): array => ['note' => "n{$note}", 'position' => $position, 'string' => $note <= 4 ? $string : self::above($instrument, $string)], range(1, 8));
        $marked = Marked::tune("{$key} {$tune}", $instrument, Level::Advanced, $decisions);

        self::assertSame('1 2 3 4 1 2 3 4', (string) preg_replace('/[LHx]/', '', $marked->fingers()));
        self::assertSame([], $marked->findings());
        self::assertSame($patterns, implode(', ', array_map(static fn (array $pattern): string => "{$pattern['string']} {$pattern['pattern']}", SizeUp::of($marked->part)->toArray()['patterns'])));
    }

    /** @return iterable<string, array{Instrument, string, string, string, float, string}> */
    public static function fromTheFirstFinger(): iterable
    {
        [$violin, $viola] = [Instrument::Violin, Instrument::Viola];
        yield 'violin, first position on G' => [$violin, '3#', 'A3q B3 C#4 D4 | E4 F#4 G#4 A4', 'G', 1.0, 'G 3-4, D 3-4'];
        yield 'violin, first position on D' => [$violin, '4#', 'E4q F#4 G#4 A4 | B4 C#5 D#5 E5', 'D', 1.0, 'D 3-4, A 3-4'];
        yield 'violin, third position on G' => [$violin, '', 'C4q D4 E4 F4 | G4 A4 B4 C5', 'G', 3.0, 'G 3-4, D 3-4'];
        yield 'violin, third position on D' => [$violin, '1#', 'G4q A4 B4 C5 | D5 E5 F#5 G5', 'D', 3.0, 'D 3-4, A 3-4'];
        yield 'violin, third position on A' => [$violin, '2#', 'D5q E5 F#5 G5 | A5 B5 C#6 D6', 'A', 3.0, 'A 3-4, E 3-4'];
        yield 'violin, fourth position on G' => [$violin, '2#', 'D4q E4 F#4 G4 | A4 B4 C#5 D5', 'G', 4.0, 'G 3-4, D 3-4'];
        yield 'violin, fourth position on A' => [$violin, '4#', 'E5q F#5 G#5 A5 | B5 C#6 D#6 E6', 'A', 4.0, 'A 3-4, E 3-4'];
        yield 'violin, fifth position on D' => [$violin, '2b', 'Bb4q C5 D5 Eb5 | F5 G5 A5 Bb5', 'D', 5.0, 'D 3-4, A 3-4'];
        yield 'viola, first position on C' => [$viola, '2#', 'D3q E3 F#3 G3 | A3 B3 C#4 D4', 'C', 1.0, 'C 3-4, G 3-4'];
        yield 'viola, third position on D' => [$viola, '1#', 'G4q A4 B4 C5 | D5 E5 F#5 G5', 'D', 3.0, 'D 3-4, A 3-4'];
    }

    #[DataProvider('fromTheOpenString')]
    public function test_a_major_scale_from_an_open_string_has_2_3_on_both_strings(Instrument $instrument, string $tonic, string $patterns): void
    {
        $score = Scale::of($instrument, $tonic, ScaleMode::Major, 1);
        $marked = Marked::score($score, new Settings(ClassProfile::of(Level::FirstYear), $instrument));

        self::assertSame($patterns, implode(', ', array_map(static fn (array $pattern): string => "{$pattern['string']} {$pattern['pattern']}", SizeUp::of($marked->part)->toArray()['patterns'])));
    }

    /** @return iterable<array{Instrument, string, string}> */
    public static function fromTheOpenString(): iterable
    {
        yield [Instrument::Violin, 'G', 'G 2-3, D 2-3'];
        yield [Instrument::Violin, 'D', 'D 2-3, A 2-3'];
        yield [Instrument::Viola, 'C', 'C 2-3, G 2-3'];
        yield [Instrument::Cello, 'G', 'G 1-3-4, D 1-3-4'];
        yield [Instrument::Cello, 'C', 'C 1-3-4, G 1-3-4'];
    }

    /** The way up; a finger is told without how it is placed, as a scale sheet has it. */
    #[DataProvider('scales')]
    public function test_a_scale_goes_up_as_a_scale_sheet_has_it(Instrument $instrument, Level $level, ScaleMode $mode, string $tonic, int $octaves, string $fingers): void
    {
        $score = Scale::of($instrument, $tonic, $mode, $octaves);
        $notes = Marked::score($score, new Settings(ClassProfile::of($level), $instrument))->part->notes;
        $up = array_slice($notes, 0, intdiv(count($notes), 2) + 1);

        self::assertSame($fingers, implode(' ', array_map(static fn (NoteMark $note): string => $note->finger === null ? '-' : HouseStyle::usual()->finger($note->finger->fingering->stop->finger, $note->finger->fingering->stop->placement), $up)));
    }

    /** @return iterable<string, array{Instrument, Level, ScaleMode, string, int, string}> */
    public static function scales(): iterable
    {
        [$violin, $viola, $cello, $bass] = [Instrument::Violin, Instrument::Viola, Instrument::Cello, Instrument::Bass];
        [$first, $second, $third] = [Level::FirstYear, Level::SecondYear, Level::ThirdYear];
        [$major, $natural, $harmonic, $melodic] = [ScaleMode::Major, ScaleMode::NaturalMinor, ScaleMode::HarmonicMinor, ScaleMode::MelodicMinor];
        foreach ([
            [$violin, $second, $major, 'G', 2, '0 1 2 3 0 1 2 3 0 1 L2 3 0 1 L2'],
            [$violin, $second, $major, 'A', 2, '1 2 H3 0 1 2 H3 0 1 2 3 0 1 2 3'],
            [$violin, $second, $major, 'Bb', 2, 'L2 3 0 L1 L2 3 0 L1 L2 3 L4 L1 L2 3 L4'],
            [$violin, $second, $major, 'C', 1, '3 0 1 L2 3 0 1 L2'],
            [$violin, $second, $major, 'F', 1, 'L2 3 0 L1 L2 3 0 L1'],
            [$violin, $second, $major, 'Eb', 1, 'L1 L2 3 L4 L1 L2 3 L4'],
            [$violin, $second, $natural, 'A', 1, '1 2 3 0 1 L2 3 0'],
            [$violin, $second, $harmonic, 'G', 1, '0 1 L2 3 0 L1 2 3'],
            [$violin, $second, $melodic, 'D', 1, '0 1 L2 3 0 1 2 3'],
            [$violin, $third, $major, 'E', 2, '1 2 H3 0 1 2 H3 0 1 2 3 1 2 H3 4'],
            [$viola, $second, $major, 'C', 2, '0 1 2 3 0 1 2 3 0 1 L2 3 0 1 L2'],
            [$viola, $second, $major, 'D', 2, '1 2 H3 0 1 2 H3 0 1 2 3 0 1 2 3'],
            [$viola, $second, $major, 'Eb', 2, 'L2 3 0 L1 L2 3 0 L1 L2 3 L4 L1 L2 3 L4'],
            [$viola, $second, $major, 'F', 2, '3 0 1 L2 3 0 1 L2 3 0 L1 L2 1 2 3'],
            [$viola, $second, $natural, 'D', 1, '1 2 3 0 1 L2 3 0'],
            [$viola, $second, $harmonic, 'C', 1, '0 1 L2 3 0 L1 2 3'],
            [$cello, $first, $major, 'C', 2, '0 1 3 4 0 1 3 4 0 1 2 4 0 1 2'],
            [$cello, $second, $major, 'D', 2, '1 x2 x4 0 1 x2 x4 0 1 3 4 0 1 3 4'],
            [$cello, $second, $major, 'Eb', 2, '2 4 0 x1 2 4 0 x1 2 4 x4 x1 2 4 x4'],
            [$cello, $second, $major, 'Bb', 1, '2 4 0 x1 2 4 0 x1'],
            [$cello, $second, $major, 'A', 1, '1 x2 x4 0 1 x2 x4 0'],
            [$cello, $second, $natural, 'C', 1, '0 1 2 4 0 x1 2 4'],
            [$cello, $second, $harmonic, 'D', 1, '1 3 4 0 1 2 x4 0'],
            [$cello, $third, $major, 'G', 2, '0 1 3 4 0 1 3 4 0 1 2 4 1 3 4'],
            [$bass, $first, $major, 'G', 1, '2 0 1 2 0 1 4 0'],
            [$bass, $second, $major, 'F', 1, '1 4 0 1 4 0 2 4'],
            [$bass, $second, $major, 'E', 1, '0 1 4 0 1 4 1 2'],
            [$bass, $second, $major, 'Bb', 1, '1 4 0 1 4 0 2 4'],
            [$bass, $second, $major, 'A', 1, '0 1 4 0 1 4 1 2'],
            [$bass, $second, $natural, 'E', 1, '0 1 2 0 1 2 0 1'],
            [$bass, $second, $harmonic, 'A', 1, '0 1 2 0 2 4 1 2'],
        ] as $row) {
            yield "{$row[0]->value} {$row[3]} {$row[2]->value} in {$row[4]}, {$row[1]->value}" => $row;
        }
    }

    private static function above(Instrument $instrument, string $string): string
    {
        $names = array_column($instrument->strings(), 'name');

        return $names[(int) array_search($string, $names, true) + 1];
    }
}
