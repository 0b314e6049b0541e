<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Planning;

use UprightPencil\Core\Bowing\Marks\BowMarks;
use UprightPencil\Core\Bowing\Terms\Way;

/** What the planner proposes for a line. */
final readonly class Plan
{
    /**
     * @param  BowMarks  $marks  the proposed directions and actions, by note id
     * @param  list<PlannedAction>  $actions
     * @param  float  $cost  points
     * @param  list<Way>  $ways  what is done with each stroke
     */
    public function __construct(
        public BowMarks $marks,
        public array $actions,
        public float $cost,
        public array $ways = [],
    ) {}
}
