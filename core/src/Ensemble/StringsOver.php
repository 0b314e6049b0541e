<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble;

use UprightPencil\Core\Strings\Instrument;

/** Notes that lie a string over, in one instrument or from one to another, so that the same fingers play them. */
final class StringsOver
{
    /**
     * @param  array<int, true>  $moved  half steps by which each note lies higher than the one that it is like
     * @return int|null strings by which all of them lie over, 0 for the same place; null where the fingers would be others
     */
    public static function of(array $moved, Instrument $from, Instrument $to): ?int
    {
        if (count($moved) !== 1) {
            return null;
        }
        $strings = array_column($from->strings(), 'midi');
        // Fifths on three of the instruments, fourths on the bass.
        $apart = $strings[1] - $strings[0];
        // The viola's strings are the violin's a fifth lower: the same place in the row of strings.
        $by = array_key_first($moved) - (array_column($to->strings(), 'midi')[0] - $strings[0]);

        return $by % $apart === 0 ? intdiv($by, $apart) : null;
    }

    /** @return string|null the name of the string so many over; null where there is none */
    public static function name(string $string, int $over, Instrument $from, Instrument $to): ?string
    {
        $place = array_search($string, array_column($from->strings(), 'name'), true);

        return $place === false ? null : array_column($to->strings(), 'name')[$place + $over] ?? null;
    }
}
