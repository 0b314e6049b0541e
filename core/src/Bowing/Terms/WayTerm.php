<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Terms;

/** A cost of bowing one stroke in one way, whatever comes before. */
interface WayTerm extends BowTerm
{
    /** @return float points, 0 or more */
    public function cost(Way $way, PlanPlace $at): float;
}
