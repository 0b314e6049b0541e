<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering;

/** A cost of going from one grip to the next. Of the step it may use only what is in the step's signature. */
interface MoveTerm extends Term
{
    /** @return float points, 0 or more */
    public function cost(Grip $from, Grip $to, Step $step): float;
}
