<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Ensemble;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Ensemble\Figure;
use UprightPencil\Core\Ensemble\FigurePlace;
use UprightPencil\Core\Tests\Support\Sections;

/** Figures over all sections and all time. */
final class FiguresTest extends TestCase
{
    private const THEME = 'D5q E5e F#5 G5q A5 | B5e A5 G5 F#5 E5h';

    /**
     * @param  array<string, string>  $tunes
     * @param  list<string>  $expected  “8: P1@1 P3@2+7 near”, a figure each
     */
    #[DataProvider('pieces')]
    public function test_known_pieces_have_known_figures(array $tunes, array $expected): void
    {
        $orchestra = Sections::orchestra(Sections::score($tunes));
        $told = array_map(static fn (Figure $figure): string => "{$figure->notes()}: ".implode(' ', array_map(static fn (FigurePlace $place): string => $orchestra->sections[$place->part()]->id()."@{$place->measure()}".($figure->transposed($place) === 0 ? '' : sprintf('%+d', $figure->transposed($place))).($place->near ? ' near' : ''), $figure->places)), $orchestra->figures());

        self::assertSame($expected, $told);
    }

    /** @return iterable<string, array{array<string, string>, list<string>}> */
    public static function pieces(): iterable
    {
        yield 'a round at the measure' => [['Violin 1' => '2# | '.self::THEME.' | rw', 'Viola' => '2# | rw | '.str_replace('5', '4', self::THEME)], ['10: P1@1 P2@2-12']];
        yield 'a theme a fifth lower in the viola' => [['Violin 1' => '2# | '.self::THEME.' | rw | rw', 'Viola' => '2# | rw | rw | G4q A4e B4 C#5q D5 | E5e D5 C#5 B4 A4h'], ['10: P1@1 P2@3-7']];
        yield 'augmented it is another' => [['Violin 1' => '2# | D5e E5 F#5 G5 A5h | rw | rw', 'Viola' => '2# | rw | D4q E4 F#4 G4 | A4w'], []];
        yield 'one note changed in the middle' => [['Violin 1' => '2# | '.self::THEME.' | rw | rw', 'Viola' => '2# | rw | rw | D4q E4e F#4 G4q F#4 | B4e A4 G4 F#4 E4h'], ['10: P1@1 P2@3-12 near']];
        yield 'one note changed that keeps the contour' => [['Violin 1' => '2# | '.self::THEME.' | rw | rw', 'Viola' => '2# | rw | rw | D4q E4e F#4 G4q C5 | D5e A4 G4 F#4 E4h'], ['10: P1@1 P2@3-12']];
        yield 'one value changed' => [['Violin 1' => '2# | '.self::THEME.' | rw | rw', 'Viola' => '2# | rw | rw | D4q E4e F#4 G4q. A4e | B4e A4 G4 F#4 E4h'], ['10: P1@1 P2@3-12 near']];
        yield 'in six-eight' => [['Violin 1' => '6/8 1# | G5e A5 B5 C6 B5 A5 | rh.', 'Cello' => '6/8 1# | rh. | G3e A3 B3 C4 B3 A3'], ['6: P1@1 P2@2-24']];
        yield 'three times, one of them near' => [['Violin 1' => '2# | '.self::THEME.' | rw | rw | rw | rw', 'Viola' => '2# | rw | rw | '.str_replace('5', '4', self::THEME).' | rw | rw', 'Cello' => '2# | rw | rw | rw | rw | D3q E3e F#3 G3q F#3 | B3e A3 G3 F#3 E3h'], ['10: P1@1 P2@3-12 P3@5-24 near']];
    }

    public function test_a_place_that_was_left_on_purpose_is_an_exception(): void
    {
        $score = Sections::score(['Violin 1' => '2# | '.self::THEME.' | '.self::THEME]);
        $places = Sections::orchestra($score, [['note' => 'P1n11', 'to' => 'P1n20', 'apart' => true]])->figures()[0]->places;

        self::assertSame([false, true], [$places[0]->isException(), $places[1]->isException()]);
    }

    public function test_other_bows_at_a_later_place_are_told_with_both_ways_to_mend_them(): void
    {
        $score = Sections::score(['Violin 1' => '2# | '.self::THEME.' | '.self::THEME.' | D5w']);
        $found = Sections::lineUp($score, [['note' => 'P1n11', 'direction' => 'up'], ['note' => 'P1n1', 'direction' => 'down']])['findings'];

        self::assertSame(['figure-differs', 'Violin 1 bows this figure otherwise than at measure 1.'], [$found[0]['code'], $found[0]['message']]);
        self::assertSame(['Violin 1 bows it as at measure 1'], array_column($found[0]['fixes'], 'words'));
    }

    public function test_letters_go_on_after_z(): void
    {
        self::assertSame(['A', 'Z', 'AA', 'AZ', 'BA', 'ZZ', 'AAA'], array_map(Figure::letter(...), [0, 25, 26, 51, 52, 701, 702]));
    }
}
