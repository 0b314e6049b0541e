<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Terms;

use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Bowing\Marks\Prices;

final readonly class Split implements WayTerm
{
    /** Every further piece of the same slur. */
    private const FURTHER = 0.5;

    public static function name(): string
    {
        return 'split';
    }

    public static function sentence(): string
    {
        return 'The bow changes inside a printed slur.';
    }

    public function cost(Way $way, PlanPlace $at): float
    {
        return $way->action === BowAction::Split ? Prices::SPLIT + self::FURTHER * ($way->turns - 1) : 0.0;
    }
}
