<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Terms;

use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Bowing\Marks\Prices;

final readonly class Strike implements WayTerm
{
    public static function name(): string
    {
        return 'strike';
    }

    public static function sentence(): string
    {
        return 'A printed slur is struck and its notes are bowed separately.';
    }

    public function cost(Way $way, PlanPlace $at): float
    {
        return $way->action === BowAction::Strike ? Prices::STRIKE : 0.0;
    }
}
