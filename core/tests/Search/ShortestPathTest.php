<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Search;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use UprightPencil\Core\Search\ShortestPath;

final class ShortestPathTest extends TestCase
{
    public function test_it_is_as_cheap_as_the_best_of_all_paths(): void
    {
        foreach (self::mazes(60) as [$layers, $stand, $move]) {
            $path = ShortestPath::through($layers, $stand, $move);

            self::assertEqualsWithDelta(self::cheapestOfAll($layers, $stand, $move), $path->cost, 1e-9);
            self::assertEqualsWithDelta($path->cost, self::costOf($path->states, $stand, $move), 1e-9);
        }
    }

    public function test_over_tables_it_finds_the_same(): void
    {
        foreach (self::mazes(30) as [$layers, $stand, $move]) {
            $path = ShortestPath::through($layers, $stand, $move);
            $tabled = ShortestPath::overTables(...self::written($layers, $stand, $move));

            self::assertSame($path->states, $tabled->states);
            self::assertEqualsWithDelta($path->cost, $tabled->cost, 1e-9);
        }
    }

    /**
     * @param  list<non-empty-list<int>>  $layers
     * @param  \Closure(int, int): float  $stand
     * @param  \Closure(int, int, int): float  $move
     * @return array{list<non-empty-list<float>>, list<array<int, array<int, float>>>}
     */
    private static function written(array $layers, \Closure $stand, \Closure $move): array
    {
        $stands = $tables = [];
        foreach ($layers as $number => $layer) {
            $stands[] = array_map(static fn (int $state): float => $stand($state, $number), $layer);
            $number === 0 || $tables[] = array_map(static fn (int $from): array => array_map(static fn (int $to): float => $move($from, $to, $number), $layer), $layers[$number - 1]);
        }

        return [$stands, $tables];
    }

    public function test_a_detour_is_the_cheapest_way_through_a_state(): void
    {
        foreach (self::mazes(30) as [$layers, $stand, $move]) {
            [$stands, $tables] = self::written($layers, $stand, $move);
            $path = ShortestPath::overTables($stands, $tables);
            $detours = $path->detours($stands, $tables);
            foreach ($layers as $number => $layer) {
                self::assertEqualsWithDelta(0.0, $detours->slack($number, (int) array_search($path->states[$number], $layer, true)), 1e-9);
                foreach ($layer as $state) {
                    $through = array_values(array_replace($layers, [$number => [$state]]));
                    $way = array_replace($path->states, $detours->through($number, $state, 0, count($layers) - 1) ?? []);
                    self::assertSame($state, $way[$number]);
                    self::assertEqualsWithDelta(self::cheapestOfAll($through, $stand, $move) - $path->cost, $detours->slack($number, $state), 1e-9);
                    self::assertEqualsWithDelta($path->cost + $detours->slack($number, $state), self::costOf(array_values($way), $stand, $move), 1e-9);
                }
            }
        }
    }

    public function test_a_detour_that_leaves_the_stretch_is_not_told(): void
    {
        [$stands, $tables] = [[[0.0, 1.0], [0.0, 1.0], [0.0, 1.0]], [[[0.0, 5.0], [5.0, 0.0]], [[0.0, 5.0], [5.0, 0.0]]]];
        $detours = ShortestPath::overTables($stands, $tables)->detours($stands, $tables);

        self::assertSame([0 => 1, 1 => 1, 2 => 1], array_replace([0, 0, 0], $detours->through(1, 1, 0, 2) ?? []));
        self::assertNull($detours->through(1, 1, 1, 1));
    }

    /** @return iterable<array{list<non-empty-list<int>>, \Closure(int, int): float, \Closure(int, int, int): float}> */
    private static function mazes(int $count): iterable
    {
        $random = new Randomizer(new Mt19937(7));
        for ($round = 0; $round < $count; $round++) {
            $layers = [];
            for ($layer = $random->getInt(1, 6); $layer > 0; $layer--) {
                $layers[] = range(0, $random->getInt(0, 3));
            }

            yield [
                $layers,
                static fn (int $state, int $number): float => (($state * 7 + $number * 5 + $round) % 11) / 2,
                static fn (int $from, int $to, int $number): float => (($from * 3 + $to * 13 + $number + $round) % 7) / 3,
            ];
        }
    }

    public function test_of_equal_paths_the_first_is_taken(): void
    {
        $path = ShortestPath::through([['a', 'b'], ['c', 'd']], static fn (): float => 1.0, static fn (): float => 1.0);

        self::assertSame(['a', 'c'], $path->states);
        self::assertSame(3.0, $path->cost);
    }

    public function test_no_layers_cost_nothing(): void
    {
        self::assertSame(0.0, ShortestPath::through([], static fn (): float => 1.0, static fn (): float => 1.0)->cost);
    }

    /**
     * @param  list<non-empty-list<int>>  $layers
     * @param  \Closure(int, int): float  $stand
     * @param  \Closure(int, int, int): float  $move
     */
    private static function cheapestOfAll(array $layers, \Closure $stand, \Closure $move): float
    {
        $paths = [[]];
        foreach ($layers as $layer) {
            $longer = [];
            foreach ($paths as $path) {
                foreach ($layer as $state) {
                    $longer[] = [...$path, $state];
                }
            }
            $paths = $longer;
        }

        return min(array_map(static fn (array $path): float => self::costOf($path, $stand, $move), $paths));
    }

    /**
     * @param  list<int>  $path
     * @param  \Closure(int, int): float  $stand
     * @param  \Closure(int, int, int): float  $move
     */
    private static function costOf(array $path, \Closure $stand, \Closure $move): float
    {
        $cost = 0.0;
        foreach ($path as $number => $state) {
            $cost += $stand($state, $number) + ($number === 0 ? 0.0 : $move($path[$number - 1], $state, $number));
        }

        return $cost;
    }
}
