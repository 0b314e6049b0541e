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

    public function test_the_slack_of_a_state_is_what_the_cheapest_way_through_it_costs_more(): void
    {
        foreach (self::mazes(30) as [$layers, $stand, $move]) {
            $path = ShortestPath::through($layers, $stand, $move);
            foreach ($path->slacks($layers, $stand, $move) as $number => $slacks) {
                self::assertEqualsWithDelta(0.0, $slacks[(int) array_search($path->states[$number], $layers[$number], true)], 1e-9);
                foreach ($slacks as $state => $slack) {
                    $through = $layers;
                    $through[$number] = [$layers[$number][$state]];
                    self::assertEqualsWithDelta(self::cheapestOfAll($through, $stand, $move) - $path->cost, $slack, 1e-9);
                }
            }
        }
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
