<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/** Looks things up in lists that are in order of time. */
final class Sorted
{
    /**
     * @param  list<int>  $ticks  in order
     * @return int index of the last one at or before a place; −1 when all come later
     */
    public static function lastAtOrBefore(array $ticks, int $at): int
    {
        $low = 0;
        $high = count($ticks);
        while ($low < $high) {
            $middle = intdiv($low + $high, 2);
            if ($ticks[$middle] <= $at) {
                $low = $middle + 1;
            } else {
                $high = $middle;
            }
        }

        return $low - 1;
    }
}
