<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Terms;

use UprightPencil\Core\Score\BowSign;

final readonly class Start implements WayTerm
{
    private const UP = 2.5;

    public static function name(): string
    {
        return 'start';
    }

    public static function sentence(): string
    {
        return 'A piece, or the music after a long silence, starts up on the beat.';
    }

    public function cost(Way $way, PlanPlace $at): float
    {
        return $at->fresh && $way->start === BowSign::Up && $at->strength >= 1.0 ? self::UP : 0.0;
    }
}
