<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Terms;

use UprightPencil\Core\Bowing\Marks\Prices;
use UprightPencil\Core\Bowing\Strokes\BowNeed;
use UprightPencil\Core\Score\BowSign;

final readonly class Retake implements TurnTerm
{
    /** Times its price where there is half of the time that it needs, and where there is less. */
    private const HURRIED = 3.0;

    private const TOO_SHORT = 8.0;

    /** @param float $circle seconds of a full circle of the bow */
    public function __construct(
        private BowNeed $need,
        private float $circle,
    ) {}

    public static function name(): string
    {
        return 'retake';
    }

    public static function sentence(): string
    {
        return 'The bow is taken back in a rest.';
    }

    public function cost(BowSign $from, BowSign $to, PlanPlace $at): float
    {
        if ($from !== $to || $at->stroke->gap === 0) {
            return 0.0;
        }
        $time = $this->need->gapSeconds($at->stroke);

        return Prices::RETAKE * match (true) {
            $time >= $this->circle => 1.0,
            $time >= $this->circle / 2 => self::HURRIED,
            default => self::TOO_SHORT,
        };
    }
}
