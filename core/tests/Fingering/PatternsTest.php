<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Fingering;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Marking\SizeUp;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Tests\Support\Marked;

/** Finger patterns by string and phrase, and what a part needs for the first time. */
final class PatternsTest extends TestCase
{
    #[DataProvider('patterns')]
    public function test_a_string_has_the_pattern_that_a_student_thinks_in(string $expected, string $tune, Instrument $instrument = Instrument::Violin, Level $level = Level::SecondYear): void
    {
        $patterns = SizeUp::of(Marked::tune($tune, $instrument, $level)->part)->toArray()['patterns'];

        self::assertSame($expected, implode(', ', array_map(static fn (array $pattern): string => "{$pattern['string']} {$pattern['pattern']}", $patterns)));
    }

    /** @return iterable<string, array{0: string, 1: string, 2?: Instrument, 3?: Level}> */
    public static function patterns(): iterable
    {
        [$viola, $cello, $bass] = [Instrument::Viola, Instrument::Cello, Instrument::Bass];
        yield 'an octave from an open string has 2 and 3 close on both' => ['D 2-3, A 2-3', '2# | D4q E4 F#4 G4 | A4 B4 C#5 D5'];
        yield 'an octave from the first finger has 3 and 4 close on both' => ['D 3-4, A 3-4', '4# | E4q F#4 G#4 A4^4 | B4 C#5 D#5 E5^4'];
        yield 'F natural on the D string' => ['D 1-2', 'E4q F4 G4 F4'];
        yield 'all whole steps' => ['A whole', '1b | Bb4q C5 D5 E5^4 | D5 C5 Bb4h'];
        yield 'fingers that are not used lie where the key puts them' => ['D 2-3', '2# | E4q D4 E4 D4'];
        yield 'the same in C major' => ['D 1-2', 'E4q D4 E4 D4'];
        yield 'an augmented second leaves a gap' => ['A wide 1-2 and 2-3', '1b | Bb4q C#5 D5 C#5'];
        yield 'a change on one string' => ['D 2-3, D 1-2', '2# | E4q F#4 G4 E4 | F4 E4 D4h'];
        yield 'the same pattern again is said once' => ['D 2-3', '2# | E4q F#4 G4 rq | E4q F#4 G4h'];
        yield 'viola' => ['G 2-3, D 2-3', '1# | G3q A3 B3 C4 | D4 E4 F#4 G4', $viola];
        yield 'third position, three and four close' => ['E 3-4', '3# | A5q B5 C#6 D6', Instrument::Violin];
        yield 'cello, 1 3 4' => ['D 1-3-4', '2# | D3q E3 F#3 G3', $cello];
        yield 'cello, 1 2 4' => ['D 1-2-4', 'D3q E3 F3 G3', $cello];
        yield 'cello, extended' => ['G x', '3# | A2q B2 C#3 B2', $cello];
        yield 'cello, the outer fingers only: the key says the rest' => ['D 1-2-4', '1b | E3q G3 E3 G3', $cello];
        yield 'bass, one frame wherever the hand is' => ['G 1-2-4, D 1-2-4', '1# | A3q B3 A3 B3 | F#3 E3 F#3 B3', $bass];
    }

    public function test_first_uses_are_told_against_what_the_class_has_been_taught(): void
    {
        $firsts = SizeUp::of(Marked::tune('1b | A4q Bb4 C5 D5 | F5 G5 A5 Bb5 | E5w', level: Level::SecondYear)->part)->toArray()['firsts'];
        $told = array_map(static fn (array $first): string => "{$first['what']} {$first['newness']} {$first['measure']} ×{$first['times']}", $firsts);

        self::assertContains('F major recent 1 ×9', $told);
        self::assertContains('low 1 recent 1 ×2', $told);
        self::assertContains('low 4 recent 2 ×1', $told);
        self::assertContains('low 2 known 1 ×1', array_map(static fn (string $text): string => str_replace('×2', '×1', $text), $told));
        self::assertContains('the E string known 2 ×5', $told);
    }

    public function test_a_class_may_know_more_keys_than_its_level(): void
    {
        $newness = static fn (array $profile): string => SizeUp::of(Marked::tune('4# | E4q F#4 E4h', settings: new Settings(ClassProfile::fromArray($profile), Instrument::Violin))->part)->toArray()['firsts'][0]['newness'];

        self::assertSame('not-taught', $newness([]));
        self::assertSame('recent', $newness(['keys' => ['flats' => 0, 'sharps' => 4]]));
    }

    public function test_a_part_is_summed_up(): void
    {
        $summary = SizeUp::of(Marked::tune('2# =80 | (F#5q G5 A5 B5) | (C#6 D6 C#6 B5) | A5q rq D5h | (C#5e F#5) D5h.')->part)->toArray()['summary'];

        self::assertSame(['C♯5', 'D6'], [$summary['lowest']['pitch'] ?? '', $summary['highest']['pitch'] ?? '']);
        self::assertSame(3.0, $summary['highestPosition']['position'] ?? null);
        self::assertSame('third position', $summary['highestPosition']['name']);
        self::assertSame(2, $summary['shifts'], 'up, and back over the rest');
        self::assertSame(1, $summary['crossingsUnderSlurs']);
        self::assertSame(0, $summary['extensions']);
        self::assertSame([], $summary['new']);
    }

    public function test_an_empty_part_has_an_empty_summary(): void
    {
        $summary = SizeUp::of(Marked::tune('rw | rw')->part)->toArray();

        self::assertNull($summary['summary']['highest']);
        self::assertSame([[], [], []], [$summary['firsts'], $summary['patterns'], $summary['troubleSpots']]);
    }
}
