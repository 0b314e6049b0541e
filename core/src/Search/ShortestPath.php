<?php

declare(strict_types=1);

namespace UprightPencil\Core\Search;

/**
 * The cheapest way through layers of states, one state from each: bowing and fingering both search with it.
 *
 * Costs are asked for pair by pair (`through`), or read from tables (`overTables`). Time is the sum over neighbouring layers of
 * the product of their sizes. Of equal ways the one whose states
 * were listed first is taken, so the answer is always the same.
 *
 * @template S
 */
final readonly class ShortestPath
{
    /**
     * @param  list<S>  $states  the chosen state of each layer
     * @param  list<int>  $chosen  where each of them stands in its layer
     * @param  list<list<float>>  $reached  for each layer the cheapest cost up to and in each of its states
     * @param  array<int, array<int, int>>  $from  for each layer and state the state before it on the cheapest way to it
     */
    private function __construct(
        public array $states,
        public float $cost,
        private array $chosen,
        private array $reached,
        private array $from,
    ) {}

    /**
     * @template T
     *
     * @param  list<non-empty-list<T>>  $layers
     * @param  \Closure(T, int): float  $stand  cost of being in a state of the layer with this number
     * @param  \Closure(T, T, int): float  $move  cost of going from a state to one of the layer with this number
     * @return self<T>
     */
    public static function through(array $layers, \Closure $stand, \Closure $move): self
    {
        $costs = [];
        $from = [];
        $before = [];
        $all = [];
        foreach ($layers as $number => $layer) {
            $reached = [];
            foreach ($layer as $index => $state) {
                [$best, $origin] = self::cheapestInto($state, $number, $before, $costs, $move);
                $reached[] = $best + $stand($state, $number);
                $from[$number][$index] = $origin;
            }
            $all[] = $costs = $reached;
            $before = $layer;
        }

        [$chosen, $cost] = self::walkedBack($all, $from);

        return new self(array_map(static fn (array $layer, int $index): mixed => $layer[$index], $layers, $chosen), $cost, $chosen, $all, $from);
    }

    /**
     * The same over tables of numbers, which may be shared by many layers: much faster than asking for each pair.
     *
     * @param  list<non-empty-list<float>>  $stands  for each layer the cost of being in each of its states
     * @param  list<array<int, array<int, float>>>  $tables  for each step from a layer to the next: from => to => cost; what is not listed cannot be done
     * @return self<int> states are their numbers in their layer
     */
    public static function overTables(array $stands, array $tables): self
    {
        $costs = $stands[0] ?? [];
        $all = $costs === [] ? [] : [$costs];
        $from = [[]];
        foreach ($tables as $number => $table) {
            $stand = $stands[$number + 1];
            $reached = array_fill(0, count($stand), INF);
            $origins = [];
            foreach ($table as $state => $row) {
                $cost = $costs[$state];
                foreach ($row as $to => $step) {
                    if ($cost + $step < $reached[$to]) {
                        $reached[$to] = $cost + $step;
                        $origins[$to] = $state;
                    }
                }
            }
            $from[] = $origins;
            $costs = [];
            foreach ($stand as $state => $cost) {
                $costs[] = $reached[$state] + $cost;
            }
            $all[] = $costs;
        }
        [$chosen, $cost] = self::walkedBack($all, $from);

        return new self($chosen, $cost, $chosen, $all, $from);
    }

    /**
     * The cheapest way through each of the states.
     *
     * @param  list<non-empty-list<float>>  $stands  the same as the way was found with
     * @param  list<array<int, array<int, float>>>  $tables
     */
    public function detours(array $stands, array $tables): Detours
    {
        $last = count($stands) - 1;
        $onward = array_fill(0, count($stands[$last] ?? []), 0.0);
        $slacks = $next = [];
        for ($number = $last; $number >= 0; $number--) {
            $next[$number] = [];
            if ($number < $last) {
                [$onward, $next[$number]] = self::onwards($stands[$number + 1], $tables[$number], $onward);
            }
            foreach ($onward as $state => $cost) {
                $slacks[$number][$state] = $this->reached[$number][$state] + $cost - $this->cost;
            }
        }

        return new Detours($this->chosen, $slacks, $this->from, $next);
    }

    /**
     * @param  non-empty-list<float>  $stand  of the next layer
     * @param  array<int, array<int, float>>  $table  the step to it
     * @param  array<int, float>  $onward  what is left to pay after each of its states
     * @return array{array<int, float>, array<int, int>} what is left to pay after each state of this layer, and where it goes
     */
    private static function onwards(array $stand, array $table, array $onward): array
    {
        $left = $next = [];
        foreach ($table as $state => $row) {
            $best = INF;
            foreach ($row as $to => $step) {
                $cost = $step + $stand[$to] + $onward[$to];
                if ($cost < $best) {
                    $best = $cost;
                    $next[$state] = $to;
                }
            }
            $left[$state] = $best;
        }

        return [$left, $next];
    }

    /**
     * @template T
     *
     * @param  T  $state
     * @param  list<T>  $before
     * @param  array<int, float>  $costs
     * @param  \Closure(T, T, int): float  $move
     * @return array{float, int}
     */
    private static function cheapestInto(mixed $state, int $number, array $before, array $costs, \Closure $move): array
    {
        $best = $before === [] ? 0.0 : INF;
        $origin = 0;
        foreach ($before as $index => $earlier) {
            if ($costs[$index] >= $best) {
                continue;
            }
            $cost = $costs[$index] + $move($earlier, $state, $number);
            if ($cost < $best) {
                $best = $cost;
                $origin = $index;
            }
        }

        return [$best, $origin];
    }

    /**
     * @param  list<non-empty-list<float>>  $reached
     * @param  array<int, array<int, int>>  $from
     * @return array{list<int>, float} the state of each layer on the cheapest way, and what it costs
     */
    private static function walkedBack(array $reached, array $from): array
    {
        if ($reached === []) {
            return [[], 0.0];
        }
        $costs = $reached[count($reached) - 1];
        $cost = min($costs);
        $index = (int) array_search($cost, $costs, true);
        $chosen = [];
        for ($number = count($reached) - 1; $number >= 0; $number--) {
            $chosen[] = $index;
            $index = $from[$number][$index] ?? $index;
        }

        return [array_reverse($chosen), $cost];
    }
}
