<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

use UprightPencil\Core\Score\BowSign;

/** What is fixed about the bow, by note id: printed signs, the director's decisions, or a plan. */
final readonly class BowMarks
{
    /**
     * @param  array<string, BowSign>  $directions
     * @param  array<string, BowAction>  $actions
     * @param  array<int, true>  $struck  measures (indexes) whose printed slurs are struck
     */
    public function __construct(
        public array $directions = [],
        public array $actions = [],
        public array $struck = [],
    ) {}

    /** These marks with others laid over them. */
    public function and(self $others): self
    {
        return new self(
            [...$this->directions, ...$others->directions],
            [...$this->actions, ...$others->actions],
            $this->struck + $others->struck,
        );
    }
}
