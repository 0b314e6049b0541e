<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Terms;

use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Bowing\Marks\Prices;

final readonly class Change implements WayTerm
{
    /** A change that the note does not need: it is there for the sake of a direction. */
    private const FOR_DIRECTION = 2.4;

    public static function name(): string
    {
        return 'change';
    }

    public static function sentence(): string
    {
        return 'The bow changes on a held note.';
    }

    public function cost(Way $way, PlanPlace $at): float
    {
        return $way->action === BowAction::Change
            ? Prices::CHANGE * $way->turns + ($way->turns > $way->needed ? self::FOR_DIRECTION : 0.0)
            : 0.0;
    }
}
