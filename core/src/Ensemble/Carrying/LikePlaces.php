<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble\Carrying;

use UprightPencil\Core\Ensemble\LinedNote;
use UprightPencil\Core\Ensemble\Section;

/**
 * Where a figure of a part comes again in it: the same rhythm and slurs and the same way up and down, at the same place in the
 * beat (around a single note: on the same beat of the measure), on the same notes or moved. Places do not lie over each other. Time grows with the notes, not with their square.
 */
final readonly class LikePlaces
{
    /** Around a single note a figure has three notes at least. */
    private const LEAST = 3;

    /** Notes to either side of a single note that may belong to its figure. */
    private const REACH = 24;

    /**
     * @param  int  $from  index in the section of the figure's first note
     * @param  int  $notes  how many it has
     * @param  list<int>  $starts  where it begins elsewhere
     */
    private function __construct(
        private Section $section,
        public int $from,
        public int $notes,
        private array $starts,
    ) {}

    /**
     * The places like a span or, for a single note, like the longest figure around it in its measure that comes again.
     *
     * @param  string  $from  id of its first note
     * @param  string  $to  id of its last
     */
    public static function of(Section $section, string $from, string $to): ?self
    {
        [$first, $last] = [$section->indexOf($from), $section->indexOf($to)];

        return match (true) {
            $first === null || $last === null => null,
            $first === $last => self::around($section, $first),
            default => self::span($section, min($first, $last), max($first, $last)),
        };
    }

    /** @return list<LinedNote> */
    public function source(): array
    {
        return array_slice($this->section->notes, $this->from, $this->notes);
    }

    /** @return list<non-empty-list<LinedNote>> the notes of each other place */
    public function places(): array
    {
        return array_map(fn (int $start): array => [$this->section->notes[$start], ...array_slice($this->section->notes, $start + 1, $this->notes - 1)], $this->starts);
    }

    private static function span(Section $section, int $from, int $to): self
    {
        $steps = $section->steps();
        $figure = array_slice($steps, $from, $to - $from);
        $ends = self::ends($figure, $steps);
        $length = $to - $from;
        $starts = array_map(static fn (int $end): int => $end - $length + 1, $ends);

        return self::apart($section, $from, $length + 1, $starts);
    }

    /**
     * Where a run of steps ends in the line: each step is looked at once (Knuth, Morris and Pratt).
     *
     * @param  list<string>  $figure
     * @param  list<string>  $steps
     * @return list<int> index of the last step of each
     */
    private static function ends(array $figure, array $steps): array
    {
        $back = [0];
        for ($place = 1, $matched = 0; isset($figure[$place]); $place++) {
            $matched = self::matched($figure, $back, $matched, $figure[$place]);
            $back[$place] = $matched;
        }
        $ends = [];
        $matched = 0;
        foreach ($steps as $place => $step) {
            $matched = self::matched($figure, $back, $matched === count($figure) ? $back[$matched - 1] : $matched, $step);
            $matched === count($figure) && $ends[] = $place;
        }

        return $ends;
    }

    /**
     * @param  list<string>  $figure
     * @param  array<int, int>  $back
     */
    private static function matched(array $figure, array $back, int $matched, string $step): int
    {
        while ($matched > 0 && $figure[$matched] !== $step) {
            $matched = $back[$matched - 1];
        }

        return $figure[$matched] === $step ? $matched + 1 : 0;
    }

    /** The longest run around a note, inside its measure, that comes again. */
    private static function around(Section $section, int $note): ?self
    {
        $measure = $section->notes[$note]->mark->place->measure;
        $inside = static fn (int $index): bool => ($section->notes[$index] ?? null)?->mark->place->measure === $measure;
        for ($least = $note; $note - $least < self::REACH && $inside($least - 1); $least--);
        for ($most = $note; $most - $note < self::REACH && $inside($most + 1); $most++);
        $reaches = self::reaches($section, $note, $note - $least, $most - $note);
        // The longest first; of equal ones that which comes more often.
        $found = array_keys($reaches);
        usort($found, static fn (string $one, string $other): int => array_sum(array_map(intval(...), explode(' ', $other))) <=> array_sum(array_map(intval(...), explode(' ', $one))) ?: count($reaches[$other]) <=> count($reaches[$one]));
        foreach ($found as $size) {
            [$left, $right] = array_map(intval(...), explode(' ', $size));
            $starts = [];
            foreach ($reaches as $other => $places) {
                [$before, $after] = array_map(intval(...), explode(' ', $other));
                array_push($starts, ...($before >= $left && $after >= $right ? array_map(static fn (int $place): int => $place - $left, $places) : []));
            }
            sort($starts);
            $starts = array_values(array_filter($starts, static fn (int $start): bool => self::beat($section, $start) === self::beat($section, $note - $left)));
            $like = $left + $right + 1 >= self::LEAST ? self::apart($section, $note - $left, $left + $right + 1, $starts) : null;
            if ($like !== null && $like->starts !== []) {
                return $like;
            }
        }

        return null;
    }

    /**
     * How far the music around other notes goes like that around one.
     *
     * @param  int  $left  notes before it that are looked at
     * @param  int  $right  notes after it
     * @return array<string, list<int>> “notes alike before, notes alike after” => the notes of which that is so
     */
    private static function reaches(Section $section, int $note, int $left, int $right): array
    {
        $steps = $section->steps();
        $reaches = [];
        foreach (array_keys($section->notes) as $other) {
            if ($other === $note) {
                continue;
            }
            for ($before = 0; $before < $left && isset($steps[$other - $before - 1]) && $steps[$other - $before - 1] === $steps[$note - $before - 1]; $before++);
            for ($after = 0; $after < $right && isset($steps[$other + $after]) && $steps[$other + $after] === $steps[$note + $after]; $after++);
            $before + $after > 0 && $reaches["{$before} {$after}"][] = $other;
        }

        return $reaches;
    }

    /**
     * Only places that lie in the beat as the figure does, whose last note is as long, and that do not lie over another.
     *
     * @param  list<int>  $starts
     */
    private static function apart(Section $section, int $from, int $notes, array $starts): self
    {
        $free = [];
        $until = -1;
        $last = $section->notes[$from + $notes - 1];
        foreach ($starts as $start) {
            $own = $start < $from + $notes && $start + $notes > $from;
            $fits = ! $own && $start >= $until && isset($section->notes[$start], $section->notes[$start + $notes - 1])
                && self::inBeat($section->notes[$start]) === self::inBeat($section->notes[$from])
                && $section->notes[$start + $notes - 1]->ticks() === $last->ticks();
            if ($fits) {
                $free[] = $start;
                $until = $start + $notes;
            }
        }

        return new self($section, $from, $notes, $free);
    }

    /** Around a single note the same beat is meant: on another the strong beats fall otherwise, and with them the bows. */
    private static function beat(Section $section, int $note): float
    {
        return $section->notes[$note]->mark->place->beat;
    }

    private static function inBeat(LinedNote $note): float
    {
        return round(fmod($note->mark->place->beat, 1.0), 3);
    }
}
