<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Ensemble;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Ensemble\TuningSpots;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Tests\Support\Tune;

/** Where a conductor stops and lets the sections tune. */
final class TuningSpotsTest extends TestCase
{
    /** @param list<string> $tunes */
    #[DataProvider('scores')]
    public function test_long_unisons_of_several_sections_are_found(array $tunes, string $expected): void
    {
        $parts = [];
        foreach ($tunes as $index => $tune) {
            $parts[] = Tune::score($tune)->parts[0]->with(id: 'P'.($index + 1), name: ['Violin 1', 'Violin 2', 'Viola', 'Cello'][$index]);
        }
        $spots = TuningSpots::of(new Score('Tuning', '', 480, $parts));

        self::assertSame($expected, implode('; ', array_map(static fn (array $spot): string => "{$spot['pitch']} {$spot['measure']}-{$spot['to']} {$spot['seconds']} ".count($spot['sections']), $spots)));
    }

    /** @return iterable<string, array{list<string>, string}> */
    public static function scores(): iterable
    {
        yield 'a long D in three octaves' => [['=60 | D5w | E5q F5 G5 A5', '=60 | D4w | A4w', '=60 | D3w | C4w'], 'D 1-1 4 3'];
        yield 'two sections are not enough' => [['=60 | D5w | E5w', '=60 | D4w | A4w', '=60 | A3w | C4w'], ''];
        yield 'a section that rests does not disturb' => [['=60 | D5w', '=60 | D4w', '=60 | D3w', '=60 | rw'], 'D 1-1 4 3'];
        yield 'too short to listen' => [['=120 | D5q E5 F5 G5', '=120 | D4q A4 A4 A4', '=120 | D3q C4 C4 C4'], ''];
        yield 'different rhythms, one pitch class, over the barline' => [['=60 | G4h D5h- | D5h A4h', '=60 | B4h D4q D4 | D4h C5h', '=60 | G3h D3h | D3h F3h'], 'D 1-2 4 3'];
        yield 'to the end' => [['=60 | A4w', '=60 | A4w', '=60 | A3w'], 'A 1-1 4 3'];
        yield 'enharmonic spellings sound the same' => [['=60 | F#4w', '=60 | Gb4w', '=60 | F#3w'], 'F♯ 1-1 4 3'];
    }
}
