<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble;

/**
 * Finds figures over all parts and all time: runs of four notes and two beats at least with the same rhythm, slurs and contour,
 * transposed or not, at any beat; the longest first, none inside another of the same places. Time n log² n in the notes.
 */
final class Figures
{
    /** Steps from note to note: four notes. */
    private const LEAST_STEPS = 3;

    /** A longer run is told as a figure of this length and those that follow it. */
    private const MOST_STEPS = 48;

    private const LEAST_BEATS = 2;

    /** @var list<LinedNote> the notes of all sections one after the other */
    private array $notes = [];

    /** @var list<int> for each note the step to the next, as a number; the last of a section has one of its own */
    private array $steps = [];

    /** @param list<Section> $sections */
    private function __construct(array $sections, private readonly int $resolution)
    {
        $known = [];
        foreach ($sections as $section) {
            foreach ($section->notes as $index => $note) {
                $next = $section->notes[$index + 1] ?? null;
                $step = $next === null ? "end {$section->index}" : $note->step($next);
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
        $figures = [];
        /** @var array<int, true> $covered */
        $covered = [];
        foreach ($this->runs() as [$length, $places]) {
            $free = [];
            $end = -1;
            sort($places);
            foreach ($places as $place) {
                if ($place > $end && ! isset($covered[$place]) && ! isset($covered[$place + $length])) {
                    $free[] = $place;
                    $end = $place + $length;
                }
            }
            if (count($free) < 2 || ! $this->isLongEnough($free[0], $length)) {
                continue;
            }
            foreach ($free as $place) {
                $covered += array_fill($place, $length + 1, true);
            }
            $figures[] = new Figure($length + 1, array_map(fn (int $place): array => [$this->notes[$place], ...array_slice($this->notes, $place + 1, $length)], $free));
        }
        usort($figures, static fn (Figure $a, Figure $b): int => $a->places[0][0]->tick() <=> $b->places[0][0]->tick() ?: $a->places[0][0]->part <=> $b->places[0][0]->part);

        return $figures;
    }

    private function isLongEnough(int $place, int $length): bool
    {
        $first = $this->notes[$place] ?? null;
        $last = $this->notes[$place + $length] ?? null;

        return $first !== null && $last !== null && $first->part === $last->part && $last->end - $first->tick() >= self::LEAST_BEATS * $this->resolution;
    }

    /**
     * Repeated runs of steps, the longest first: neighbours in the order of all ends of the music share their beginnings.
     *
     * @return list<array{int, list<int>}> length and places
     */
    private function runs(): array
    {
        $order = $this->sorted();
        $shared = $this->sharedWithNext($order);
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
