<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/** Looks things up in lists that are in order of time. */
final class Sorted
{
    /**
     * @template T
     *
     * @param  list<T>  $list  in order of its ticks
     * @param  \Closure(T): int  $tick
     * @return int index of the last one at or before a place; −1 when all come later
     */
    public static function lastAtOrBefore(array $list, int $at, \Closure $tick): int
    {
        $low = 0;
        $high = count($list);
        while ($low < $high) {
            $middle = intdiv($low + $high, 2);
            if ($tick($list[$middle]) <= $at) {
                $low = $middle + 1;
            } else {
                $high = $middle;
            }
        }

        return $low - 1;
    }
}
