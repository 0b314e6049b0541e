<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble;

/**
 * Finds figures over all parts and all time: runs of four notes at least, or entries of two or three notes that last two beats,
 * with the same rhythm, slurs and contour, transposed or not, at any beat; the longest first, none inside another of the same
 * places. Where places agree but for one note they are one figure all the same, and told as near. Time n log² n in the notes.
 */
final class Figures
{
    /** Steps from note to note: four notes. */
    private const LEAST_STEPS = 3;

    /** A longer run is told as a figure of this length and those that follow it. */
    private const MOST_STEPS = 48;

    /** Shorter figures are near to too much. */
    private const LEAST_NEAR_NOTES = 6;

    /** Notes that must agree after the one that does not. */
    private const AGREE_AGAIN = 2;

    /** Quarters: a longer rest is no part of a figure. */
    private const LONGEST_REST = 4;

    /** Quarters that an entry of two or three notes lasts. */
    private const ENTRY_LASTS = 2;

    /** @var list<LinedNote> the notes of all sections one after the other */
    private array $notes = [];

    /** @var list<int> for each note the step to the next, as a number; where nothing follows, one of its own */
    private array $steps = [];

    /** @var array<int, array{int, int}> note => the figure that it is in, and which of its notes it is */
    private array $owners = [];

    /** @var array<int, array{int, array<int, bool>}> figures: how many notes, first note of each place => whether it is near */
    private array $figures = [];

    /** @param list<Section> $sections */
    private function __construct(array $sections, private readonly int $resolution)
    {
        $known = [];
        foreach ($sections as $section) {
            foreach ($section->notes as $index => $note) {
                $next = $section->notes[$index + 1] ?? null;
                $step = $next === null || $next->gap >= self::LONGEST_REST * $resolution ? "end {$section->index} {$index}" : $note->step($next);
                $this->notes[] = $note;
                $this->steps[] = $known[$step] ??= count($known);
            }
        }
    }

    /**
     * @param  list<Section>  $sections
     * @param  int  $resolution  ticks in a quarter
     * @return list<Figure> in the order of their first places
     */
    public static function of(array $sections, int $resolution): array
    {
        return (new self($sections, $resolution))->found();
    }

    /** @return list<Figure> */
    private function found(): array
    {
        $order = $this->sorted();
        $shared = $this->sharedWithNext($order);
        foreach ($this->runs($order, $shared) as [$length, $places]) {
            $this->take($length + 1, $this->free($places, $length + 1));
        }
        foreach (array_keys($this->figures) as $figure) {
            $this->joinWithNext($figure);
        }
        foreach (array_keys($this->figures) as $figure) {
            $this->grow($figure);
        }
        $this->joinNear($order, $shared);
        foreach ($this->entries() as [$notes, $places]) {
            $this->take($notes, $this->free($places, $notes));
        }
        $figures = array_map($this->figure(...), array_values($this->figures));
        usort($figures, static fn (Figure $a, Figure $b): int => $a->places[0]->start() <=> $b->places[0]->start() ?: $a->places[0]->part() <=> $b->places[0]->part());

        return $figures;
    }

    /**
     * @param  list<int>  $places
     * @return list<int> those whose notes are in no figure yet and that do not lie over each other
     */
    private function free(array $places, int $notes): array
    {
        $free = [];
        $end = -1;
        sort($places);
        foreach ($places as $place) {
            if ($place > $end && $this->isFree($place, $notes)) {
                $free[] = $place;
                $end = $place + $notes - 1;
            }
        }

        return $free;
    }

    /** What lies between taken notes is shorter than a figure that was looked at before: its ends say enough. */
    private function isFree(int $place, int $notes): bool
    {
        return ! isset($this->owners[$place]) && ! isset($this->owners[$place + $notes - 1]);
    }

    /** @param list<int> $places */
    private function take(int $notes, array $places): void
    {
        if (count($places) < 2) {
            return;
        }
        $this->figures[] = [$notes, array_fill_keys($places, false)];
        foreach ($places as $place) {
            $this->own((int) array_key_last($this->figures), $place, $notes);
        }
    }

    private function own(int $figure, int $place, int $notes): void
    {
        for ($note = 0; $note < $notes; $note++) {
            $this->owners[$place + $note] = [$figure, $note];
        }
    }

    /** @param array{int, array<int, bool>} $found */
    private function figure(array $found): Figure
    {
        [$notes, $places] = $found;
        $model = (int) array_key_first($places);
        $of = fn (int $place, bool $near): FigurePlace => new FigurePlace([$this->notes[$place], ...array_slice($this->notes, $place + 1, $notes - 1)], $near || $this->differsInOnePitch($model, $place, $notes));
        $of = array_map($of, array_keys($places), $places);
        usort($of, static fn (FigurePlace $a, FigurePlace $b): int => $a->start() <=> $b->start() ?: $a->part() <=> $b->part());

        return new Figure([$of[0], ...array_slice($of, 1)]);
    }

    /** The same way up and down, but one note of the tune is another. */
    private function differsInOnePitch(int $model, int $place, int $notes): bool
    {
        if ($notes < self::LEAST_NEAR_NOTES) {
            return false;
        }
        $moved = [];
        for ($note = 0; $note < $notes; $note++) {
            $by = $this->notes[$place + $note]->staffStep() - $this->notes[$model + $note]->staffStep();
            $moved[$by] = ($moved[$by] ?? 0) + 1;
        }

        return count($moved) === 2 && min($moved) === 1;
    }

    /** Two figures that follow each other in all their places, with at most one note between them, are one with a note changed. */
    private function joinWithNext(int $figure): void
    {
        [$notes, $places] = $this->figures[$figure] ?? [0, []];
        $places = array_keys($places);
        foreach ($places === [] ? [] : [0, 1] as $between) {
            $starts = array_map(static fn (int $place): int => $place + $notes + $between, $places);
            $next = $this->owners[$starts[0]] ?? null;
            [$more, $theirs] = $next === null || $next[1] !== 0 ? [0, []] : $this->figures[$next[0]] ?? [0, []];
            $all = $notes + $between + $more;
            $fits = $more > 0 && array_keys($theirs) === $starts && array_filter($places, fn (int $place): bool => $place !== $places[0] && ! $this->agreesButForOne($places[0], $place, $all)) === [];
            if ($fits && $next !== null) {
                unset($this->figures[$next[0]]);
                $this->figures[$figure] = [$all, [$places[0] => false] + array_fill_keys($places, true)];
                foreach ($places as $place) {
                    $this->own($figure, $place, $all);
                }

                return;
            }
        }
    }

    /** A figure whose places go on alike after one note that differs, or came alike before one, has those notes too. */
    private function grow(int $figure): void
    {
        [$notes, $places] = $this->figures[$figure];
        $places = array_keys($places);
        if ($places === []) {
            return;
        }
        $after = $this->further($places, $notes - 1, 1);
        $before = $this->further($places, 0, -1);
        $more = max($after, $before);
        if ($more === 0 || $notes + $more < self::LEAST_NEAR_NOTES) {
            return;
        }
        $back = $after >= $before ? 0 : $more;
        $grown = [];
        foreach ($places as $number => $place) {
            $grown[$place - $back] = $number > 0;
            $this->own($figure, $place - $back, $notes + $more);
        }
        $this->figures[$figure] = [$notes + $more, $grown];
    }

    /**
     * How many notes more agree but for one in all places, from a note of the figure on.
     *
     * @param  non-empty-list<int>  $places
     * @param  int  $from  which of its notes
     * @param  int  $way  1: after it, −1: before it
     */
    private function further(array $places, int $from, int $way): int
    {
        $model = $places[0] + $from;
        $most = self::MOST_STEPS;
        foreach (array_slice($places, 1) as $place) {
            $most = min($most, $this->furtherThan($model, $place + $from, $way));
        }
        foreach ($places as $place) {
            for ($note = 1; $note <= $most; $note++) {
                if (isset($this->owners[$place + $from + $way * $note])) {
                    $most = $note - 1;
                }
            }
        }
        // Places of one section must not grow into each other.
        sort($places);
        foreach (array_slice($places, 1) as $number => $place) {
            $most = min($most, $place - $places[$number] - 1);
        }

        return $most > self::AGREE_AGAIN ? $most : 0;
    }

    private function furtherThan(int $one, int $other, int $way): int
    {
        // The steps that lead to and from the note that differs.
        for ($skipped = 1; $skipped <= 2; $skipped++) {
            $reach = $skipped;
            while ($reach < self::MOST_STEPS && $this->step($one, $reach, $way) !== null && $this->step($one, $reach, $way) === $this->step($other, $reach, $way)) {
                $reach++;
            }
            if ($reach - $skipped >= self::AGREE_AGAIN && $this->keepsTime($one, $other, $way * $reach)) {
                return $reach;
            }
        }

        return 0;
    }

    private function step(int $note, int $number, int $way): ?int
    {
        return $this->steps[$way > 0 ? $note + $number : $note - $number - 1] ?? null;
    }

    /** Whether some notes on lie as far from the one as from the other. */
    private function keepsTime(int $one, int $other, int $on): bool
    {
        $far = fn (int $note): ?int => isset($this->notes[$note + $on]) && $this->notes[$note + $on]->part === $this->notes[$note]->part ? $this->notes[$note + $on]->tick() - $this->notes[$note]->tick() : null;

        return $far($one) !== null && $far($one) === $far($other);
    }

    /**
     * Places in no figure that share some steps with a place of one are looked at around: they may be that figure with one note changed.
     *
     * @param  list<int>  $order
     * @param  list<int>  $shared
     */
    private function joinNear(array $order, array $shared): void
    {
        foreach ($shared as $number => $length) {
            foreach ($length < self::LEAST_STEPS ? [] : [[$order[$number], $order[$number + 1]], [$order[$number + 1], $order[$number]]] as [$taken, $free]) {
                if (! isset($this->owners[$taken]) || isset($this->owners[$free])) {
                    continue;
                }
                [$figure, $note] = $this->owners[$taken];
                [$notes, $places] = $this->figures[$figure];
                $place = $free - $note;
                if ($notes >= self::LEAST_NEAR_NOTES && $place >= 0 && $this->isWhollyFree($place, $notes) && $this->agreesButForOne((int) array_key_first($places), $place, $notes)) {
                    $this->figures[$figure][1][$place] = true;
                    $this->own($figure, $place, $notes);
                }
            }
        }
    }

    private function isWhollyFree(int $place, int $notes): bool
    {
        for ($note = 0; $note < $notes; $note++) {
            if (isset($this->owners[$place + $note])) {
                return false;
            }
        }

        return true;
    }

    private function agreesButForOne(int $model, int $place, int $notes): bool
    {
        $other = [];
        for ($step = 0; $step < $notes - 1; $step++) {
            if (($this->steps[$place + $step] ?? null) !== $this->steps[$model + $step]) {
                $other[] = $step;
            }
        }

        return count($other) <= 2 && ($other === [] || $other[count($other) - 1] - $other[0] <= 1) && $this->keepsTime($model, $place, $notes - 1);
    }

    /**
     * Entries: what begins after a rest with two or three notes, up to its long note or the next rest.
     *
     * @return list<array{int, list<int>}> how many notes, and the first note of each place
     */
    private function entries(): array
    {
        $entries = [];
        foreach ($this->notes as $place => $note) {
            $opens = ($this->notes[$place - 1] ?? null)?->part !== $note->part || $note->gap > 0;
            $notes = $opens && ! isset($this->owners[$place]) ? $this->entry($place) : 0;
            if ($notes > 1) {
                $steps = array_map(fn (int $step): int => $this->steps[$place + $step], range(0, $notes - 2));
                $entries[$notes.' '.implode(' ', $steps)][] = $place;
            }
        }

        return array_map(static fn (string $key, array $places): array => [(int) $key, $places], array_map(strval(...), array_keys($entries)), $entries);
    }

    /** @return int how many notes the entry has that begins here; 0 where it is none */
    private function entry(int $place): int
    {
        $first = $this->notes[$place];
        for ($notes = 1; $notes <= self::LEAST_STEPS; $notes++) {
            $note = $this->notes[$place + $notes - 1];
            $next = $this->notes[$place + $notes] ?? null;
            $ends = $note->ticks() >= self::ENTRY_LASTS * $this->resolution || $next === null || $next->part !== $note->part || $next->gap > 0;
            if ($ends) {
                return $note->end - $first->tick() >= self::ENTRY_LASTS * $this->resolution ? $notes : 0;
            }
        }

        return 0;
    }

    /**
     * Repeated runs of steps, the longest first: neighbours in the order of all ends of the music share their beginnings.
     *
     * @param  list<int>  $order
     * @param  list<int>  $shared
     * @return list<array{int, list<int>}> length and places
     */
    private function runs(array $order, array $shared): array
    {
        $runs = [];
        foreach ($shared as $place => $length) {
            if ($length < self::LEAST_STEPS) {
                continue;
            }
            // A maximal run: the neighbours on both sides share less than the places in it do.
            $first = $place;
            while ($first > 0 && $shared[$first - 1] >= $length) {
                $first--;
            }
            $last = $place;
            while (isset($shared[$last + 1]) && $shared[$last + 1] >= $length) {
                $last++;
            }
            $runs["{$length}/{$first}"] ??= [$length, array_slice($order, $first, $last - $first + 2)];
        }
        usort($runs, static fn (array $a, array $b): int => $b[0] <=> $a[0] ?: count($b[1]) <=> count($a[1]) ?: $a[1][0] <=> $b[1][0]);

        return $runs;
    }

    /** @return list<int> all places, in the order of the steps that follow them */
    private function sorted(): array
    {
        $rank = $this->steps;
        $places = array_keys($rank);
        for ($length = 1; $length <= self::MOST_STEPS; $length *= 2) {
            $key = [];
            foreach ($places as $place) {
                $key[$place] = ($rank[$place] << 24) + ($rank[$place + $length] ?? -1) + 1;
            }
            asort($key);
            $places = array_keys($key);
            $number = -1;
            $before = null;
            foreach ($key as $place => $value) {
                $number += $value === $before ? 0 : 1;
                $rank[$place] = $number;
                $before = $value;
            }
            if ($number === count($places) - 1) {
                break;
            }
        }

        return $places;
    }

    /**
     * @param  list<int>  $order
     * @return list<int> how many steps each place shares with the next in this order
     */
    private function sharedWithNext(array $order): array
    {
        $shared = [];
        foreach ($order as $number => $place) {
            $next = $order[$number + 1] ?? null;
            $length = 0;
            while ($next !== null && $length < self::MOST_STEPS && isset($this->steps[$place + $length], $this->steps[$next + $length]) && $this->steps[$place + $length] === $this->steps[$next + $length]) {
                $length++;
            }
            $shared[] = $length;
        }

        return $shared;
    }
}
