<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Terms;

use UprightPencil\Core\Fingering\Grips\Grip;
use UprightPencil\Core\Fingering\Line\Approach;

/** A cost of going from one grip to the next. */
interface MoveTerm extends Term
{
    /** @return float points, 0 or more */
    public function cost(Grip $from, Grip $to, Approach $approach): float;

    /** What it charges for there, where it charges anything. */
    public function fact(Grip $from, Grip $to, Approach $approach): Fact;
}
