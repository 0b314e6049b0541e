<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Manuscript;

use UprightPencil\Core\Score\Meter;
use UprightPencil\Core\Score\Resolution;

/** Which short notes share a beam: those of one beat; in four-four, eighths of one half of the measure. */
final class Beams
{
    /**
     * @param  int  $onset  ticks from the start of the measure
     * @param  int  $length  ticks
     * @return int|null where the group begins that a note falls into; null where it stands alone
     */
    public static function group(Meter $meter, int $onset, int $length): ?int
    {
        $beat = $meter->beatTicks(Resolution::FINE);
        $beat = match (true) {
            $meter->isCompound() => 3 * $beat,
            $length * 2 === Resolution::FINE && $meter->terms === [['4', 4]] => 2 * Resolution::FINE,
            default => max($beat, Resolution::FINE),
        };

        return $length === 0 || $length >= Resolution::FINE ? null : intdiv($onset, $beat) * $beat;
    }
}
