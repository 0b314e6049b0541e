<?php

declare(strict_types=1);

namespace UprightPencil\Core\Search;

/**
 * The cheapest way through layers of states, one state from each: bowing and fingering both search with it.
 *
 * Time is the sum over neighbouring layers of the product of their sizes. Of equal ways the one whose states
 * were listed first is taken, so the answer is always the same.
 *
 * @template S
 */
final readonly class ShortestPath
{
    /**
     * @param  list<S>  $states  the chosen state of each layer
     * @param  list<list<float>>  $reached  for each layer the cheapest cost up to and in each of its states
     */
    private function __construct(
        public array $states,
        public float $cost,
        private array $reached,
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

        return self::walkedBack($layers, $all, $from);
    }

    /**
     * How much dearer than the cheapest way the cheapest one through each state is.
     *
     * @param  list<non-empty-list<S>>  $layers  the same as the way was found through
     * @param  \Closure(S, int): float  $stand
     * @param  \Closure(S, S, int): float  $move
     * @return list<list<float>> for each layer its states' slack, 0 on the cheapest way
     */
    public function slacks(array $layers, \Closure $stand, \Closure $move): array
    {
        $last = count($layers) - 1;
        $onward = array_reverse(self::through(
            array_reverse($layers),
            static fn (mixed $state, int $number): float => $stand($state, $last - $number),
            static fn (mixed $later, mixed $state, int $number): float => $move($state, $later, $last - $number + 1),
        )->reached);
        $slacks = [];
        foreach ($layers as $number => $layer) {
            $through = [];
            foreach ($layer as $index => $state) {
                $through[] = $this->reached[$number][$index] + $onward[$number][$index] - $stand($state, $number) - $this->cost;
            }
            $slacks[] = $through;
        }

        return $slacks;
    }

    /**
     * The same where every layer has the places of one small grid: what it costs to go from place to place is read from tables,
     * which may be shared by many layers. Much faster than asking for each pair.
     *
     * @param  non-empty-list<float>  $opening  cost of starting at each place
     * @param  list<array<int, array<int, float>>>  $tables  for each step: from => to => cost; what is not listed cannot be done
     * @return self<int>  the places, one more than there are tables
     */
    public static function overGrid(array $opening, array $tables): self
    {
        $all = [$costs = $opening];
        $from = [[]];
        foreach ($tables as $table) {
            $reached = array_fill(0, count($opening), INF);
            $origins = [];
            foreach ($table as $place => $row) {
                $cost = $costs[$place];
                foreach ($row as $to => $step) {
                    if ($cost + $step < $reached[$to]) {
                        $reached[$to] = $cost + $step;
                        $origins[$to] = $place;
                    }
                }
            }
            $from[] = $origins;
            $all[] = $costs = $reached;
        }

        /** @var self<int> $path */
        $path = self::walkedBack(array_fill(0, count($all), array_keys($opening)), $all, $from);

        return $path;
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
     * @template T
     *
     * @param  list<non-empty-list<T>>  $layers
     * @param  list<non-empty-list<float>>  $reached
     * @param  array<int, array<int, int>>  $from
     * @return self<T>
     */
    private static function walkedBack(array $layers, array $reached, array $from): self
    {
        if ($reached === []) {
            return new self([], 0.0, []);
        }
        $costs = $reached[count($reached) - 1];
        $cost = min($costs);
        $index = (int) array_search($cost, $costs, true);
        $states = [];
        for ($number = count($layers) - 1; $number >= 0; $number--) {
            $states[] = $layers[$number][$index];
            $index = $from[$number][$index] ?? $index;
        }

        return new self(array_reverse($states), $cost, $reached);
    }
}
