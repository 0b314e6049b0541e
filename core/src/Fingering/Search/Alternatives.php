<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Search;

use UprightPencil\Core\Fingering\Grips\Grip;
use UprightPencil\Core\Fingering\Grips\Stop;
use UprightPencil\Core\Fingering\Terms\Fact;
use UprightPencil\Core\Fingering\Terms\Terms;

/**
 * The other ways to finger a line: at each note the search is made again with this finger forbidden, and the path between
 * the neighbours that stay is compared with the chosen one, term by term. No reason is stored text; it comes from the terms.
 */
final class Alternatives
{
    /** Notes to either side that may change with the one that is forced. */
    private const REACH = 12;

    /** Points that changing a note wherever it comes may cost at most. */
    private const ALL_AT_ONCE = 8.0;

    /** Points above the least that a way can cost within which it is looked for first. */
    private const NARROW = 0.5;

    /** Notes of one hand that are tried in the old one. */
    private const LONGEST_HAND = 32;

    /** @var list<int>|null places where not the cheapest was chosen */
    private ?array $strays = null;

    /**
     * @param  list<Grip>  $grips  the chosen way, one for each event
     * @param  list<int>  $phrases  for each event its phrase
     */
    public function __construct(
        private readonly FingeringSearch $search,
        private readonly array $grips,
        private readonly array $phrases,
    ) {}

    /** Why a note is fingered as it is: the cheapest way in which it has another finger or string. Null when there is none. */
    public function insteadOf(int $index): ?Alternative
    {
        return $this->forced($index, max(0, $index - self::REACH), min(count($this->grips) - 1, $index + self::REACH));
    }

    /**
     * Where another way through the same line parts from this one, stretch by stretch.
     *
     * @return list<Alternative> the other way, each with the place of its first event where it parts
     */
    public function partings(self $other): array
    {
        $partings = [];
        $from = null;
        foreach ([...$this->grips, null] as $place => $grip) {
            $parts = $grip !== null && ($grip->hand !== $other->grips[$place]->hand || $grip->isFingeredOtherwise($other->grips[$place]));
            if ($parts) {
                $from ??= $place;
            } elseif ($from !== null) {
                $partings[] = $this->alternative($from, array_slice($other->grips, $from, $place - $from), array_slice($this->grips, $from, $place - $from));
                $from = null;
            }
        }

        return $partings;
    }

    /**
     * What a shift saves: the cheapest way in which the notes of the new hand are played in the old one or, where that does not
     * reach them, in another position. Null when the hand does not move to this note, or there is no such way.
     */
    public function withoutShift(int $index): ?Alternative
    {
        $hand = $this->grips[$index]->hand;
        $before = $index;
        while ($before > 0 && $this->grips[$before - 1]->isOpen()) {
            $before--;
        }
        $left = $this->grips[$before - 1] ?? null;
        if ($left === null || $this->grips[$index]->isOpen() || $left->hand === $hand) {
            return null;
        }
        $last = $index;
        while (isset($this->grips[$last + 1]) && $this->grips[$last + 1]->hand === $hand && $last - $index < self::LONGEST_HAND) {
            $last++;
        }
        $forced = $this->allWith($index, $last, static fn (Grip $grip): bool => $grip->hand === $left->hand)
            ?? $this->allWith($index, $last, fn (Grip $grip): bool => $grip->position !== $this->grips[$index]->position);

        return $forced === null ? null : $this->compared($forced, max(0, $index - self::REACH), min(count($this->grips) - 1, $last + self::REACH));
    }

    /**
     * @param  \Closure(Grip): bool  $wanted
     * @return array<int, non-empty-list<Grip>>|null place => the grips wanted there; null when some note has none
     */
    private function allWith(int $from, int $to, \Closure $wanted): ?array
    {
        $forced = [];
        for ($place = $from; $place <= $to; $place++) {
            $grips = $this->search->gripsThat($place, $wanted);
            if ($grips === []) {
                return null;
            }
            $forced[$place] = $grips;
        }

        return $forced;
    }

    /**
     * The cheapest way through the line as other terms would have it, over the same grips.
     *
     * @return array<string, Stop> note id => how it is stopped
     */
    public function underOther(Terms $terms): array
    {
        $stops = [];
        foreach ($this->search->underOther($terms)->cheapest() as $place => $grip) {
            foreach ($this->search->events[$place]->notes as $head => $note) {
                $stops[$note->id] = $grip->stops[$head];
            }
        }

        return $stops;
    }

    /** @return int|null the place of a note in the search */
    public function indexOf(string $note): ?int
    {
        foreach ($this->search->events as $index => $event) {
            foreach ($event->notes as $head) {
                if ($head->id === $note) {
                    return $index;
                }
            }
        }

        return null;
    }

    /**
     * For every note the cheapest ways that give it another finger or string, and for every phrase the cheapest that differ, each
     * as long as it differs from what was chosen, and each once: the small ways of a note are not hidden by those of a line.
     *
     * @param  int  $count  ways for each note and phrase
     * @return list<Alternative> in the order of the page, then of cost
     */
    public function best(int $count): array
    {
        $found = [];
        $places = $count > 0 ? array_map(static fn (int $place): array => [$place, $place], array_keys($this->grips)) : [];
        foreach ([...$places, ...($count > 0 ? $this->stretches() : [])] as [$from, $to]) {
            foreach ($this->forSpan($from, $to, $count) as $way) {
                $short = $way->shortened();
                $found["{$short->events[0]->index} {$short->key()}"] ??= $short;
            }
        }
        usort($found, static fn (Alternative $one, Alternative $other): int => $one->events[0]->index <=> $other->events[0]->index ?: self::cheaper($one, $other));

        return $found;
    }

    /**
     * The cheapest ways to finger a span, or the phrase around a single note, that differ in what was selected.
     *
     * @param  int  $from  place of the first selected note
     * @param  int  $to  place of the last
     * @return list<Alternative> in order of cost
     */
    public function forSpan(int $from, int $to, int $count): array
    {
        [$start, $end] = [$from, $to];
        foreach ($this->stretches() as [$first, $last]) {
            // What is around the selection in its phrases adapts to it.
            $start = $first <= $from && $from <= $last ? $first : $start;
            $end = $first <= $to && $to <= $last ? $last : $end;
        }

        return $this->ways($from, $to, $start, $end, $count);
    }

    /**
     * Each selected note is given its other fingers in turn, and what is around it adapts; so is every note at once that comes
     * more than once with the same finger. Of ways that change one note alike only the cheapest is told.
     *
     * @param  int  $first  place of the first note that has to differ
     * @param  int  $last  place of the last such note
     * @param  int  $from  place of the first note that may differ
     * @param  int  $to  place of the last such note
     * @return list<Alternative> in order of cost
     */
    private function ways(int $first, int $last, int $from, int $to, int $count): array
    {
        $ways = $alike = [];
        for ($index = $first; $index <= $last; $index++) {
            foreach ($this->search->fingersBeside($index, $this->grips[$index]) as $finger => [$least, $grips]) {
                $alike[$this->sameChange($index, $finger)][$index] = [$least, $grips];
            }
        }
        foreach ($alike as $places) {
            $least = array_column($places, 0);
            $cheapest = array_keys($places)[(int) array_search(min($least), $least, true)];
            $forced = array_map(static fn (array $place): array => $place[1], $places);
            $way = $this->compared([$cheapest => $forced[$cheapest]], $from, $to);
            $ways[$way->key()] = $way;
            if (count($forced) > 1 && array_sum($least) <= self::ALL_AT_ONCE) {
                $all = $this->compared($forced, $from, $to);
                $ways[$all->key()] = $all;
            }
        }
        usort($ways, self::cheaper(...));

        return array_slice($ways, 0, $count);
    }

    /** “69, 0 on A, 4 on D”: notes that would be changed alike. */
    private function sameChange(int $index, string $finger): string
    {
        $stop = $this->grips[$index]->lead();

        return "{$this->search->events[$index]->first()->pitch?->midi()} {$stop->string}/{$stop->finger} {$finger}";
    }

    private static function cheaper(Alternative $one, Alternative $other): int
    {
        return $one->extra <=> $other->extra ?: strcmp($one->key(), $other->key());
    }

    /** @return list<array{int, int}> */
    private function stretches(): array
    {
        $phrases = [];
        foreach ($this->phrases as $place => $phrase) {
            $phrases[$phrase] = [$phrases[$phrase][0] ?? $place, $place];
        }

        return array_values($phrases);
    }

    private function forced(int $index, int $from, int $to): ?Alternative
    {
        $others = $this->search->otherGrips($index, $this->grips[$index]);

        return $others === [] ? null : $this->compared([$index => $others], $from, $to);
    }

    /** @param array<int, non-empty-list<Grip>> $forced place => the only grips allowed there */
    private function compared(array $forced, int $from, int $to): Alternative
    {
        $chosen = array_slice($this->grips, $from, $to - $from + 1);

        return $this->alternative($from, $this->cheapestWith($forced, $from, $to), $chosen);
    }

    /**
     * @param  list<Grip>  $path
     * @param  list<Grip>  $chosen
     */
    private function alternative(int $from, array $path, array $chosen): Alternative
    {
        [$differences, $costs, $gains] = $this->differences($from, $path, $chosen);

        return new Alternative(
            array_slice($this->search->events, $from, count($path)),
            $path,
            $chosen,
            round(array_sum($differences), 3),
            array_map(static fn (float $points): float => round($points, 3), $differences),
            $costs,
            $gains,
        );
    }

    /**
     * @param  array<int, non-empty-list<Grip>>  $forced
     * @return list<Grip>
     */
    private function cheapestWith(array $forced, int $from, int $to): array
    {
        $index = array_key_first($forced);
        $path = count($forced) === 1 && $index !== null && $this->isCheapest($from - 1, $to + 1) ? $this->search->detour($from, $to, $index, $forced[$index]) : null;

        return $path ?? $this->searched($forced, $from, $to);
    }

    private function isCheapest(int $from, int $to): bool
    {
        $this->strays ??= $this->search->strays($this->grips);
        foreach ($this->strays as $place) {
            if ($place >= $from && $place <= $to) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param  array<int, non-empty-list<Grip>>  $forced
     * @return list<Grip>
     */
    private function searched(array $forced, int $from, int $to): array
    {
        $before = $this->grips[$from - 1] ?? null;
        $after = $this->grips[$to + 1] ?? null;
        $now = $this->search->costOf($from, array_slice($this->grips, $from, $to - $from + 1), $before, $after);
        // The first bound is the narrowest that can hold a way; where it does not, a wider one does.
        foreach ([$this->search->leastThrough($forced) + self::NARROW, FingeringSearch::WORTH] as $bound) {
            $path = $this->search->beside($this->grips, $from, $to, $before, $after, $forced, $bound);
            if ($path->cost - $now <= $bound) {
                return $path->states;
            }
        }

        return $this->search->between($from, $to, $before, $after, $forced)->states;
    }

    /**
     * What the terms charge differently; only where the two ways part is there anything to compare.
     *
     * @param  list<Grip>  $path
     * @param  list<Grip>  $chosen
     * @return array{array<string, float>, list<string>, list<string>} points by term, what the way has more, and what it has less, the largest first
     */
    private function differences(int $from, array $path, array $chosen): array
    {
        [$first, $last] = [0, count($path) - 1];
        while ($first <= $last && $path[$first]->id === $chosen[$first]->id) {
            $first++;
        }
        while ($last > $first && $path[$last]->id === $chosen[$last]->id) {
            $last--;
        }
        if ($first > $last) {
            return [[], [], []];
        }
        $before = $this->grips[$from + $first - 1] ?? null;
        $after = $this->grips[$from + $last + 1] ?? null;
        [$new, $old] = [array_slice($path, $first, $last - $first + 1), array_slice($chosen, $first, $last - $first + 1)];
        $now = $this->search->charges($from + $first, $old, $before, $after);
        $differences = [];
        foreach ($this->search->charges($from + $first, $new, $before, $after) as $term => $points) {
            $differences[$term] = $points - ($now[$term] ?? 0.0);
        }
        [$more, $less] = [$this->search->facts($from + $first, $new, $before, $after), $this->search->facts($from + $first, $old, $before, $after)];

        return [$differences, self::surplus($more, $less, $differences), self::surplus($less, $more, array_map(static fn (float $points): float => -$points, $differences))];
    }

    /**
     * What stands in one list and not in the other, counted, of the terms that charge more for it, the dearest first.
     *
     * @param  list<array{string, Fact}>  $facts
     * @param  list<array{string, Fact}>  $others
     * @param  array<string, float>  $points  more, by term
     * @return list<string>
     */
    private static function surplus(array $facts, array $others, array $points): array
    {
        $counts = $known = [];
        foreach ([[$facts, 1], [$others, -1]] as [$list, $one]) {
            foreach ($list as [$term, $fact]) {
                $counts[$term][$fact->one] = ($counts[$term][$fact->one] ?? 0) + $one;
                $known[$fact->one] = $fact;
            }
        }
        arsort($points);
        $told = [];
        foreach (array_filter($points, static fn (float $more): bool => $more > Alternative::FELT) as $term => $more) {
            // One fact for a term is enough: a shift there is a shift back, too.
            $own = array_filter($counts[$term] ?? [], static fn (int $times): bool => $times > 0);
            $one = array_key_first($own);
            $one === null || $told[] = $known[$one]->counted($own[$one]);
        }

        return $told;
    }
}
