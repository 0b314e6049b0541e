<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Search;

use UprightPencil\Core\Fingering\Grips\Grip;
use UprightPencil\Core\Fingering\Line\Step;
use UprightPencil\Core\Fingering\Terms\Fact;
use UprightPencil\Core\Fingering\Terms\Terms;
use UprightPencil\Core\Score\Event;
use UprightPencil\Core\Search\Detours;
use UprightPencil\Core\Search\ShortestPath;
use UprightPencil\Core\Strings\InstrumentData;

/** All ways to finger a line, ready to be searched: as a whole, or a stretch of it between two grips that stay. */
final class FingeringSearch
{
    /** Points for each half step that the hand starts above first position, and for starting in half position. */
    private const FAR_START = 0.4;

    private const START_BELOW = 0.25;

    /** Ways dearer than this, in points, are rarely of interest. */
    public const WORTH = 6.0;

    /** @var list<int> of the approaches */
    private readonly array $signatures;

    /** @var list<string> of the stances */
    private readonly array $stances;

    /** @var ShortestPath<int>|null of the whole line */
    private ?ShortestPath $whole = null;

    /** @var list<Grip>|null */
    private ?array $cheapest = null;

    private ?Detours $detours = null;

    /** @var array<string, array<int, float>> signature of the stance => grip => points */
    private array $stands = [];

    /** @var array<int, array<int, array<int, float>>> signature of the approach => grip => grip => points */
    private array $moves = [];

    /** @var array<string, array<int, array<int, float>>> the same for all the grips of two neighbouring events */
    private array $tables = [];

    /**
     * @param  list<Event>  $events
     * @param  list<non-empty-list<Grip>>  $layers  one for each event
     * @param  list<Step>  $steps  one for each event
     */
    public function __construct(
        public readonly array $events,
        private readonly array $layers,
        private readonly array $steps,
        private readonly Terms $terms,
    ) {
        $this->signatures = array_map(static fn (Step $step): int => $step->approach->signature(), $steps);
        $this->stances = array_map(static fn (Step $step): string => $step->stance->signature(), $steps);
    }

    /**
     * The same line with other grips allowed and other steps. What moves and grips cost is known already.
     *
     * @param  list<non-empty-list<Grip>>  $layers
     * @param  list<Step>  $steps
     */
    public function with(array $layers, array $steps): self
    {
        $other = new self($this->events, $layers, $steps, $this->terms);
        $other->moves = &$this->moves;
        $other->tables = &$this->tables;
        $other->stands = &$this->stands;

        return $other;
    }

    /** The same grips and steps, other terms. */
    public function underOther(Terms $terms): self
    {
        return new self($this->events, $this->layers, $this->steps, $terms);
    }

    /** @return list<Grip> the cheapest way through the whole line */
    public function cheapest(): array
    {
        return $this->cheapest ??= array_map(static fn (int $state, array $layer): Grip => $layer[$state], $this->whole()->states, $this->layers);
    }

    /** @return ShortestPath<int> */
    private function whole(): ShortestPath
    {
        return $this->whole ??= ShortestPath::overTables($this->standing(), $this->moving());
    }

    /** @return list<non-empty-list<float>> for each event what each of its grips costs in itself */
    private function standing(): array
    {
        $stand = $this->standFrom(0);
        $standing = [];
        foreach ($this->layers as $place => $layer) {
            $standing[] = array_map(static fn (Grip $grip): float => $stand($grip, $place), $layer);
        }

        return $standing;
    }

    /** @return list<array<int, array<int, float>>> for each event but the first: from grip => to grip => what the move costs */
    private function moving(): array
    {
        $moving = [];
        $before = null;
        foreach ($this->layers as $place => $layer) {
            $name = implode(',', array_map(static fn (Grip $grip): int => $grip->id, $layer));
            if ($before !== null) {
                $moving[] = $this->tables["{$this->signatures[$place]}: {$before} > {$name}"] ??= $this->table($place);
            }
            $before = $name;
        }

        return $moving;
    }

    /** @return array<int, array<int, float>> */
    private function table(int $place): array
    {
        return array_map(
            fn (Grip $from): array => array_map(fn (Grip $to): float => $this->move($from, $to, $place), $this->layers[$place]),
            $this->layers[$place - 1],
        );
    }

    /**
     * The cheapest way through a stretch.
     *
     * @param  int  $from  index of its first event
     * @param  int  $to  index of its last
     * @param  Grip|null  $before  the grip that it is entered from
     * @param  Grip|null  $after  the grip that follows it
     * @param  array<int, non-empty-list<Grip>>  $forced  event index => the only grips allowed there
     * @return ShortestPath<Grip>
     */
    public function between(int $from, int $to, ?Grip $before, ?Grip $after, array $forced = []): ShortestPath
    {
        $layers = [];
        for ($index = $from; $index <= $to; $index++) {
            $layers[] = $forced[$index] ?? $this->layers[$index];
        }

        return $this->through($layers, $from, $to, $before, $after);
    }

    /**
     * The same among the grips that a way not dearer than a bound may go through, and those that were chosen: much faster, and
     * exact as long as the way that is found stays within the bound.
     *
     * @param  list<Grip>  $chosen  for every event
     * @param  array<int, non-empty-list<Grip>>  $forced
     * @param  float  $bound  points more than the cheapest
     * @return ShortestPath<Grip>
     */
    public function beside(array $chosen, int $from, int $to, ?Grip $before, ?Grip $after, array $forced, float $bound): ShortestPath
    {
        $layers = [];
        for ($index = $from; $index <= $to; $index++) {
            $layers[] = $forced[$index] ?? $this->near($index, $chosen[$index], $bound);
        }

        return $this->through($layers, $from, $to, $before, $after);
    }

    /**
     * The cheapest way that has one of certain grips at an event, as the search of the whole line knows it: the answer of
     * `between`, without a search, where the cheapest was chosen all around.
     *
     * @param  non-empty-list<Grip>  $grips  those allowed at the event
     * @return list<Grip>|null for the events of the stretch; null where this way leaves the stretch
     */
    public function detour(int $from, int $to, int $index, array $grips): ?array
    {
        $slacks = [];
        foreach ($grips as $grip) {
            $state = (int) array_search($grip, $this->layers[$index], true);
            $slacks[$state] = $this->slack($index, $state);
        }
        $way = $this->detours()->through($index, (int) array_search(min($slacks), $slacks, true), $from, $to);
        if ($way === null) {
            return null;
        }
        $stretch = array_slice($this->cheapest(), $from, $to - $from + 1);
        foreach ($way as $place => $state) {
            $stretch[$place - $from] = $this->layers[$place][$state];
        }

        return array_values($stretch);
    }

    /**
     * @param  list<Grip>  $chosen  for every event
     * @return list<int> places where not the cheapest was chosen
     */
    public function strays(array $chosen): array
    {
        $cheapest = $this->cheapest();

        return array_keys(array_filter($chosen, static fn (Grip $grip, int $place): bool => $grip->id !== $cheapest[$place]->id, ARRAY_FILTER_USE_BOTH));
    }

    /** @return non-empty-list<Grip> */
    private function near(int $index, Grip $chosen, float $bound): array
    {
        $near = [$chosen];
        foreach ($this->layers[$index] as $place => $grip) {
            if ($grip->id !== $chosen->id && $this->slack($index, $place) <= $bound) {
                $near[] = $grip;
            }
        }

        return $near;
    }

    /**
     * What a way through certain grips costs at the least.
     *
     * @param  array<int, non-empty-list<Grip>>  $forced  event index => the only grips allowed there
     * @return float points more than the cheapest
     */
    public function leastThrough(array $forced): float
    {
        $least = 0.0;
        foreach ($forced as $index => $grips) {
            $wanted = array_flip(array_map(static fn (Grip $grip): int => $grip->id, $grips));
            $here = INF;
            foreach ($this->layers[$index] as $place => $grip) {
                $here = isset($wanted[$grip->id]) ? min($here, $this->slack($index, $place)) : $here;
            }
            $least = max($least, $here);
        }

        return $least;
    }

    /** @return \Closure(Grip, int): float */
    private function standFrom(int $from): \Closure
    {
        return fn (Grip $grip, int $place): float => $this->stand($grip, $from + $place) + ($from + $place === 0 ? self::farStart($grip) : 0.0);
    }

    /**
     * @param  list<non-empty-list<Grip>>  $layers
     * @return ShortestPath<Grip>
     */
    private function through(array $layers, int $from, int $to, ?Grip $before, ?Grip $after): ShortestPath
    {
        $stand = $this->standFrom($from);

        return ShortestPath::through(
            $layers,
            fn (Grip $grip, int $place): float => $stand($grip, $place)
                + ($place === 0 && $before !== null ? $this->move($before, $grip, $from) : 0.0)
                + ($from + $place === $to && $after !== null ? $this->move($grip, $after, $to + 1) : 0.0),
            fn (Grip $one, Grip $other, int $place): float => $this->move($one, $other, $from + $place),
        );
    }

    /**
     * What a stretch costs as it is.
     *
     * @param  list<Grip>  $grips  of the events from `$from` on
     * @return float points
     */
    public function costOf(int $from, array $grips, ?Grip $before, ?Grip $after): float
    {
        return array_sum($this->charges($from, $grips, $before, $after));
    }

    /**
     * What a whole line costs.
     *
     * @param  list<Grip>  $grips  of all events
     * @return float points
     */
    public function price(array $grips): float
    {
        $stand = $this->standFrom(0);
        $cost = 0.0;
        foreach ($grips as $place => $grip) {
            $cost += $stand($grip, $place) + ($place === 0 ? 0.0 : $this->move($grips[$place - 1], $grip, $place));
        }

        return $cost;
    }

    /** A line that starts away from first position has its hand to find first. */
    private static function farStart(Grip $grip): float
    {
        $above = $grip->hand - InstrumentData::FIRST_HAND;

        return $above >= 0 ? self::FAR_START * $above : self::START_BELOW;
    }

    private function stand(Grip $grip, int $index): float
    {
        return $this->stands[$this->stances[$index]][$grip->id] ??= $this->terms->standing($grip, $this->steps[$index]->stance);
    }

    private function move(Grip $from, Grip $to, int $index): float
    {
        return $this->moves[$this->signatures[$index]][$from->id][$to->id] ??= $this->terms->moving($from, $to, $this->steps[$index]->approach);
    }

    /**
     * The grips at an event that put another finger or another string on its first note.
     *
     * @return list<Grip>
     */
    public function otherGrips(int $index, Grip $than): array
    {
        return $this->gripsThat($index, static fn (Grip $grip): bool => $grip->isFingeredOtherwise($than));
    }

    /**
     * The other grips at an event, grouped by string and finger: those that some way of interest goes through, or the nearest.
     *
     * @return array<string, array{float, non-empty-list<Grip>}> “string/finger” => how much dearer at least, and the grips
     */
    public function fingersBeside(int $index, Grip $than): array
    {
        $groups = [];
        foreach ($this->layers[$index] as $place => $grip) {
            if ($grip->isFingeredOtherwise($than)) {
                $name = "{$grip->lead()->string}/{$grip->lead()->finger}";
                [$least, $grips] = $groups[$name] ?? [INF, []];
                $groups[$name] = [min($least, $this->slack($index, $place)), [...$grips, $grip]];
            }
        }
        $near = $groups === [] ? 0.0 : max(self::WORTH, min(array_column($groups, 0)));

        return array_filter($groups, static fn (array $group): bool => $group[0] <= $near);
    }

    private function slack(int $index, int $place): float
    {
        return $this->detours()->slack($index, $place);
    }

    private function detours(): Detours
    {
        return $this->detours ??= $this->whole()->detours($this->standing(), $this->moving());
    }

    /**
     * The grips at an event that are wanted.
     *
     * @param  \Closure(Grip): bool  $wanted
     * @return list<Grip>
     */
    public function gripsThat(int $index, \Closure $wanted): array
    {
        return array_values(array_filter($this->layers[$index], $wanted));
    }

    /**
     * What each term charges for a stretch.
     *
     * @param  list<Grip>  $grips  of the events from `$from` on
     * @return array<string, float> term => points
     */
    public function charges(int $from, array $grips, ?Grip $before, ?Grip $after): array
    {
        $charges = $from === 0 && isset($grips[0]) ? ['position' => self::farStart($grips[0])] : [];
        $last = $before;
        $steps = array_slice($this->steps, $from, count($grips));
        foreach ($grips as $place => $grip) {
            $charges = self::added($charges, $this->terms->charges($last, $grip, $steps[$place]));
            $last = $grip;
        }
        $end = array_slice($this->steps, $from + count($grips), 1);
        if ($after !== null && $last !== null && $end !== []) {
            $charges = self::added($charges, $this->terms->moveCharges($last, $after, $end[0]->approach));
        }

        return $charges;
    }

    /**
     * @param  array<string, float>  $sums
     * @param  array<string, float>  $more
     * @return array<string, float>
     */
    private static function added(array $sums, array $more): array
    {
        foreach ($more as $term => $points) {
            $sums[$term] = ($sums[$term] ?? 0.0) + $points;
        }

        return $sums;
    }

    /**
     * What is charged for in a stretch, in words of this case.
     *
     * @param  list<Grip>  $grips  of the events from `$from` on
     * @return list<array{string, Fact}> term, and what it charges for
     */
    public function facts(int $from, array $grips, ?Grip $before, ?Grip $after): array
    {
        $facts = [];
        $last = $before;
        foreach ($after === null ? $grips : [...$grips, $after] as $place => $grip) {
            foreach (isset($this->steps[$from + $place]) ? $this->terms->facts($last, $grip, $this->steps[$from + $place]) : [] as $term => $fact) {
                $facts[] = [$term, $fact];
            }
            $last = $grip;
        }

        return $facts;
    }
}
