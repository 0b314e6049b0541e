<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Terms;

use UprightPencil\Core\Score\BowSign;

final readonly class Accent implements WayTerm
{
    /** Beyond what its beat costs: on the downbeat, and elsewhere. */
    private const UP_ON_THE_DOWNBEAT = 1.0;

    private const UP = 0.6;

    public static function name(): string
    {
        return 'accent';
    }

    public static function sentence(): string
    {
        return 'An accent falls on an up-bow.';
    }

    public function cost(Way $way, PlanPlace $at): float
    {
        if (! $at->accented || $way->start !== BowSign::Up || $at->stroke->changed || $at->stroke->continues) {
            return 0.0;
        }

        return $at->strength >= 1.0 ? self::UP_ON_THE_DOWNBEAT : self::UP;
    }
}
