<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Terms;

use UprightPencil\Core\Bowing\Strokes\BowNeed;

final readonly class LongBow implements WayTerm
{
    private const AT_ALL = 2.0;

    /** For each time that the comfortable length is gone over. */
    private const FARTHER = 3.0;

    public function __construct(private BowNeed $need) {}

    public static function name(): string
    {
        return 'long-bow';
    }

    public static function sentence(): string
    {
        return 'One bow has to last longer than this class can make it.';
    }

    public function cost(Way $way, PlanPlace $at): float
    {
        $excess = $way->action === null ? $this->need->excess($at->stroke) : 0.0;

        return $excess > BowNeed::MOST ? self::AT_ALL + self::FARTHER * ($excess - BowNeed::MOST) : 0.0;
    }
}
