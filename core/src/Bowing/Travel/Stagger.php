<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Travel;

use UprightPencil\Core\Bowing\Strokes\Stroke;
use UprightPencil\Core\Score\Beats;
use UprightPencil\Core\Score\BowSign;

/**
 * Staggered bowing of a held note: players (or desks) change at different times, none on a beat, none together, and all
 * arrive on the direction that the next note wants (`bowing.md`).
 */
final readonly class Stagger
{
    /** Outside and inside player, or up to this many desks. */
    public const MOST_DESKS = 4;

    /** How finely a beat is divided to find places between the beats. */
    private const PARTS_OF_A_BEAT = 4;

    /**
     * @param  list<list<int>>  $changes  for each player or desk the ticks at which it changes
     */
    private function __construct(public array $changes) {}

    /**
     * @param  BowSign  $start  the direction in which all of them begin
     * @param  BowSign|null  $next  the direction of the next note; null: any
     * @param  int  $least  changes that each needs so that nobody runs out of bow
     * @param  int  $desks  2 to 4
     */
    public static function of(Stroke $stroke, Beats $beats, BowSign $start, ?BowSign $next, int $least, int $desks = 2): self
    {
        $count = max(1, $least);
        $ends = $count % 2 === 0 ? $start : $start->other();
        if ($next !== null && $ends === $next) {
            $count++;
        }
        $free = self::betweenBeats($stroke, $beats);
        $changes = [];
        $taken = [];
        for ($desk = 0; $desk < min(self::MOST_DESKS, max(2, $desks)); $desk++) {
            $own = [];
            for ($change = 0; $change < $count; $change++) {
                $ideal = $stroke->start + $stroke->ticks() * ($change + 1 + ($desk - ($desks - 1) / 2) / ($desks + 1)) / ($count + 1);
                $tick = self::nearest($free, $ideal, $taken, $own === [] ? $stroke->start : $own[count($own) - 1]);
                if ($tick !== null) {
                    $own[] = $tick;
                    $taken[$tick] = true;
                }
            }
            $changes[] = $own;
        }

        return new self($changes);
    }

    /** @return list<int> */
    private static function betweenBeats(Stroke $stroke, Beats $beats): array
    {
        $onBeat = array_flip($beats->ticksBetween($stroke->start, $stroke->end));
        $part = max(1, intdiv($beats->resolution, self::PARTS_OF_A_BEAT));
        $free = [];
        for ($tick = $stroke->start + $part; $tick < $stroke->end; $tick += $part) {
            isset($onBeat[$tick]) || $free[] = $tick;
        }

        return $free;
    }

    /**
     * @param  list<int>  $free
     * @param  array<int, true>  $taken
     */
    private static function nearest(array $free, float $ideal, array $taken, int $after): ?int
    {
        $best = null;
        foreach ($free as $tick) {
            if ($tick > $after && ! isset($taken[$tick]) && ($best === null || abs($tick - $ideal) < abs($best - $ideal))) {
                $best = $tick;
            }
        }

        return $best;
    }
}
