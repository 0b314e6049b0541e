<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble\Comparing;

use UprightPencil\Core\Ensemble\LinedNote;
use UprightPencil\Core\Ensemble\Orchestra;

/** Sections with the same rhythm and slurs at the same time in other directions: one finding a passage. */
final class BowsDiffer extends Comparison
{
    public function code(): string
    {
        return 'bows-differ';
    }

    public function of(Orchestra $orchestra): array
    {
        /** @var array<string, array<int, non-empty-list<LinedNote>>> $open passages that may go on: those who play alike, by their bows */
        $open = [];
        $found = [];
        foreach ($orchestra->measures() as $start) {
            $now = [];
            foreach ($orchestra->together()[$start] ?? [] as $group) {
                $notes = [];
                foreach ($group as $index) {
                    $notes[$index] = $orchestra->sections[$index]->measures[$start];
                }
                $ways = count(array_unique(array_map(LinedNote::directions(...), $notes)));
                $name = implode(',', $group);
                $ways > 1 && $now[$name] = self::joined($open[$name] ?? [], $notes);
            }
            foreach (array_diff_key($open, $now) as $passage) {
                $found[] = $this->told($orchestra, $passage);
            }
            $open = $now;
        }
        foreach ($open as $passage) {
            $found[] = $this->told($orchestra, $passage);
        }

        return $found;
    }

    /**
     * @param  array<int, list<LinedNote>>  $before
     * @param  array<int, non-empty-list<LinedNote>>  $notes
     * @return array<int, non-empty-list<LinedNote>>
     */
    private static function joined(array $before, array $notes): array
    {
        foreach ($notes as $index => $own) {
            $notes[$index] = [...$before[$index] ?? [], ...$own];
        }

        return $notes;
    }

    /** @param array<int, non-empty-list<LinedNote>> $notes by section */
    private function told(Orchestra $orchestra, array $notes): OutOfLine
    {
        $ways = [];
        foreach ($notes as $index => $own) {
            $ways[LinedNote::directions($own)][] = $index;
        }
        // Those who agree lead; of as many, the upper ones.
        uasort($ways, static fn (array $a, array $b): int => count($b) <=> count($a) ?: $a[0] <=> $b[0]);
        $led = array_values($ways)[0];
        $others = array_values(array_diff(array_keys($notes), $led));
        $leader = $notes[$led[0]];
        $differing = [];
        foreach ($others as $index) {
            foreach ($notes[$index] as $place => $note) {
                $note->direction() === $leader[$place]->direction() || $differing[] = $note;
            }
        }
        $message = $orchestra->names($others).(count($others) === 1 ? ' bows' : ' bow')." otherwise than {$orchestra->names($led)} with the same rhythm.";

        return new OutOfLine($this->code(), $leader[0]->tick(), $leader[count($leader) - 1]->end, [$led[0], ...$others], $message, $differing, array_map(fn (array $way): Remedy => $this->remedy($orchestra, $way, $notes), array_values($ways)));
    }

    /**
     * @param  non-empty-list<int>  $led  those who bow as the others shall
     * @param  array<int, non-empty-list<LinedNote>>  $notes
     */
    private function remedy(Orchestra $orchestra, array $led, array $notes): Remedy
    {
        $others = array_values(array_diff(array_keys($notes), $led));
        $decisions = $less = [];
        foreach ($others as $index) {
            $decisions[$index] = Following::of($notes[$led[0]], $notes[$index], true);
            $less[$index] = Following::of($notes[$led[0]], $notes[$index]);
        }

        return new Remedy($orchestra->names($others).(count($others) === 1 ? ' follows' : ' follow')." {$orchestra->names([$led[0]])} here", $decisions, $led[0], $less);
    }
}
