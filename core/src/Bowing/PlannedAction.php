<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

/** One change that a plan makes to plain alternation. */
final readonly class PlannedAction
{
    /**
     * @param  int  $stroke  index of the stroke it brings about
     * @param  float  $cost  points
     */
    public function __construct(
        public int $stroke,
        public BowAction $action,
        public float $cost,
    ) {}
}
