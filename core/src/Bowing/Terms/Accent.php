<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Terms;

use UprightPencil\Core\Score\BowSign;

final readonly class Accent implements WayTerm
{
    /** Beyond what its beat costs. */
    private const UP = 0.8;

    public function name(): string
    {
        return 'accent';
    }

    public function sentence(): string
    {
        return 'An accent falls on an up-bow.';
    }

    public function cost(Way $way, PlanPlace $at): float
    {
        return $at->accented && $way->start === BowSign::Up && ! $at->stroke->changed && ! $at->stroke->continues ? self::UP : 0.0;
    }
}
