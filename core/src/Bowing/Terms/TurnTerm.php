<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Terms;

use UprightPencil\Core\Score\BowSign;

/** A cost of how the bow comes from one stroke to the next. It is asked only where the bow is free to turn or not. */
interface TurnTerm extends BowTerm
{
    /**
     * @param  BowSign  $from  the direction in which the stroke before ended
     * @param  BowSign  $to  the direction in which this one begins
     * @return float points, 0 or more
     */
    public function cost(BowSign $from, BowSign $to, PlanPlace $at): float;
}
