<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Terms;

use UprightPencil\Core\Bowing\Strokes\SlurLoad;

final readonly class FullSlur implements WayTerm
{
    private const TOO_MUCH = 4.0;

    public function __construct(private SlurLoad $load) {}

    public static function name(): string
    {
        return 'full-slur';
    }

    public static function sentence(): string
    {
        return 'A slur holds more notes, or more fast crossings, than this class plays cleanly.';
    }

    public function cost(Way $way, PlanPlace $at): float
    {
        return $way->action === null && $this->load->isTooMuch($at->stroke) ? self::TOO_MUCH : 0.0;
    }
}
