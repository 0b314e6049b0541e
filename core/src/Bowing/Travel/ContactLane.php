<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Travel;

/** Where between fingerboard and bridge the bow touches the string (`bowing.md`, “Contact lane”). */
final class ContactLane
{
    /** Lanes a degree of loudness apart: 1 is over the fingerboard, 5 at the bridge. */
    private const A_DEGREE = 0.8;

    /** p and softer. */
    private const SOFT = 1.0;

    /**
     * Louder is nearer the bridge; a thin top string played softly stays out a little.
     *
     * @param  float  $degree  from 0 (pp) to 5 (ff)
     * @return int 1 to 5
     */
    public static function of(float $degree, bool $onTopString): int
    {
        return max(1, min(5, (int) round(1 + self::A_DEGREE * $degree) - ($onTopString && $degree <= self::SOFT ? 1 : 0)));
    }
}
