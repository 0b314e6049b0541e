<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Score;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Score\Dynamics;
use UprightPencil\Core\Tests\Support\Tune;

/** How loud the music is, place by place, from pp (0) to ff (5). */
final class DynamicsTest extends TestCase
{
    /** @param list<float> $degrees at each quarter */
    #[DataProvider('tunes')]
    public function test_every_quarter_has_its_loudness(string $tune, array $degrees): void
    {
        $part = Tune::score($tune)->parts[0];
        $dynamics = Dynamics::of($part);

        self::assertSame($degrees, array_map(static fn (int $quarter): float => round($dynamics->at(480 * $quarter), 2), array_keys($degrees)));
    }

    /** @return iterable<string, array{string, list<float>}> */
    public static function tunes(): iterable
    {
        yield 'nothing is said' => ['D4q E4 F4 G4', [3.0, 3.0, 3.0, 3.0]];
        yield 'a mark holds' => ['p D4q E4 F4 G4 | A4 B4', [1.0, 1.0, 1.0, 1.0, 1.0, 1.0]];
        yield 'until the next' => ['p D4q E4 ff F4 G4', [1.0, 1.0, 5.0, 5.0]];
        yield 'a crescendo leads to the mark at its end' => ['p < D4q E4 F4 G4 | <! f A4q', [1.0, 1.75, 2.5, 3.25, 4.0]];
        yield 'without a mark it leads one degree up' => ['p < D4q E4 <! F4 G4', [1.0, 1.5, 1.0, 1.0]];
        yield 'extremes stay within the scale' => ['ppp D4q E4 fff F4 G4', [0.0, 0.0, 5.0, 5.0]];
        yield 'a sforzando is one accent, not a level' => ['p D4q sf E4 F4 G4', [1.0, 1.0, 1.0, 1.0]];
    }

    public function test_sforzandos_are_known_by_their_place(): void
    {
        self::assertSame([480 => true], Dynamics::sforzandos(Tune::score('p D4q sfz E4 F4 G4')->parts[0]));
    }
}
