<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Fingering;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Tests\Support\Marked;

/** Double stops and chords: one hand over neighbouring strings, or the section divided. */
final class ChordsTest extends TestCase
{
    #[DataProvider('chords')]
    public function test_one_hand_holds_a_chord(Instrument $instrument, Level $level, string $tune, string $fingers, string $strings): void
    {
        $marked = Marked::tune($tune, $instrument, $level);

        self::assertSame([$fingers, $strings], [$marked->fingers(), $marked->strings()]);
        self::assertSame([], $marked->findings());
    }

    /** @return iterable<string, array{Instrument, Level, string, string, string}> */
    public static function chords(): iterable
    {
        [$violin, $viola, $cello, $bass] = [Instrument::Violin, Instrument::Viola, Instrument::Cello, Instrument::Bass];
        [$first, $second] = [Level::FirstYear, Level::SecondYear];
        yield 'open fifth' => [$violin, $first, 'D4q +A4 D4h. +A4', '0 0 0 0', 'D A D A'];
        yield 'fifths are barred' => [$violin, $second, '2# | D5q +A5 E4 +B4 F#4h +C#5', '3 3 1 1 2 2', 'A E D A D A'];
        yield 'thirds over an open string' => [$violin, $second, '2# | F#4q +A4 G4 +B4 F#4h +A4', '2 0 3 1 2 0', 'D A D A D A'];
        yield 'sixths' => [$violin, $second, '1# | G4q +E5 A4 +F#5 B4h +G5', '3 4 0 1 1 L2', 'D A A E A E'];
        yield 'sixths, low 2 and 3' => [$violin, $second, '1b | F4q +D5 G4h. +E5', 'L2 3 3 4', 'D A D A'];
        yield 'an octave over the open string' => [$violin, $second, 'A4q +A5 A4h. +A5', '0 3 0 3', 'A E A E'];
        yield 'an octave in third position, 1 and 4' => [$violin, $second, 'G4q +G5 G4h. +G5', '1 4 1 4', 'D A D A'];
        yield 'unison of an open and a stopped string' => [$violin, $second, '2# | A4q +A4 A4h. +A4', '0 4 0 4', 'A D A D'];
        yield 'four notes' => [$violin, $first, '1# | G3q +D4 +B4 +G5 rh.', '0 0 1 L2', 'G D A E'];
        yield 'three notes' => [$violin, $first, '2# | D4q +A4 +F#5 rh.', '0 0 1', 'D A E'];
        yield 'viola' => [$viola, $second, 'C3q +G3 +E4 rh.', '0 0 1', 'C G D'];
        yield 'cello' => [$cello, $first, '1# | G2q +D3 +B3 rh.', '0 0 1', 'G D A'];
        yield 'bass' => [$bass, $second, 'A2q +E3 rh.', '0 1', 'A D'];
    }

    public function test_a_chord_that_needs_an_untaught_hand_is_divided(): void
    {
        $marked = Marked::tune('E4q +G4 rh.', level: Level::FirstYear);
        $finding = $marked->part->findings[0];

        self::assertSame('E4 needs third position, which this class has not been taught (once). Divided: outside G4 (3 on D), inside E4 (1 on D).', $finding->message);
        self::assertSame([['outside', 'G4', 'D', 3], ['inside', 'E4', 'D', 1]], array_map(static fn (array $one): array => [$one['player'], $one['pitch'], $one['string'], $one['finger']], $finding->divisi));
    }

    public function test_a_chord_that_no_hand_can_hold_is_divided(): void
    {
        $marked = Marked::tune('G3q +C4 rh.');

        self::assertSame(['unplayable-chord 1'], $marked->findings());
        self::assertStringContainsString('Divided: outside C4 (3 on G), inside G3 (0 on G).', $marked->part->findings[0]->message);
    }

    public function test_a_chord_below_the_instrument_can_only_lose_notes(): void
    {
        $marked = Marked::tune('E3q +G3 rh.');

        self::assertStringContainsString('Divide it or leave notes out.', $marked->part->findings[0]->message);
        self::assertSame([], $marked->part->findings[0]->divisi);
    }

    public function test_more_than_two_notes_are_broken(): void
    {
        $marked = Marked::tune('1# | G3q +D4 +B4 +G5 D4q +A4 rh');

        self::assertSame(['Broken chord: G3 and D4 first, then B4 and G5.'], $marked->note('n1')->reasons());
        self::assertSame([], $marked->note('n5')->reasons());
    }

    public function test_a_decision_on_one_note_of_a_chord_moves_the_others(): void
    {
        $marked = Marked::tune('A4q +A5 rh.', decisions: [['note' => 'n1', 'finger' => 1]]);

        self::assertSame('1 4', substr($marked->fingers(), 0, 3), 'an octave in fourth or third position instead of over the open string');
        self::assertSame(['D', 'A'], [$marked->note('n1')->finger?->string, $marked->note('n2')->finger?->string]);
    }
}
