<?php

declare(strict_types=1);

namespace UprightPencil\Core\Search;

/** For every state that a search may go through, the cheapest way through it: read off, not searched again. */
final readonly class Detours
{
    /**
     * @param  list<int>  $chosen  for each layer the state of the cheapest way
     * @param  array<int, array<int, float>>  $slacks  for each layer how much dearer the cheapest way through each of its states is
     * @param  array<int, array<int, int>>  $back  for each layer and state, the state before it on the cheapest way to it
     * @param  array<int, array<int, int>>  $onward  the same for the state after it
     */
    public function __construct(
        private array $chosen,
        private array $slacks,
        private array $back,
        private array $onward,
    ) {}

    /** How much dearer than the cheapest way the cheapest one through a state is; 0 on the cheapest way. */
    public function slack(int $layer, int $state): float
    {
        return $this->slacks[$layer][$state];
    }

    /**
     * Where the cheapest way through a state leaves the cheapest way of all.
     *
     * @param  int  $first  the first layer in which it may
     * @param  int  $last  the last
     * @return array<int, int>|null layer => state; null when it leaves the cheapest way outside these layers
     */
    public function through(int $layer, int $state, int $first, int $last): ?array
    {
        $before = $this->leaving($layer, $state, $first, -1, $this->back);
        $after = $this->leaving($layer, $state, $last, 1, $this->onward);

        return $before === null || $after === null ? null : $before + $after;
    }

    /**
     * @param  array<int, array<int, int>>  $next
     * @return array<int, int>|null
     */
    private function leaving(int $layer, int $state, int $end, int $step, array $next): ?array
    {
        $way = [];
        while (isset($this->chosen[$layer]) && $this->chosen[$layer] !== $state) {
            if ($step * ($layer - $end) > 0) {
                return null;
            }
            $way[$layer] = $state;
            // At either end of the line there is no further state.
            $state = $next[$layer][$state] ?? 0;
            $layer += $step;
        }

        return $way;
    }
}
