<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Terms;

use UprightPencil\Core\Fingering\Grips\Grip;
use UprightPencil\Core\Fingering\Line\Stance;

/** A cost of playing one event in one way, whatever comes before. */
interface StandTerm extends Term
{
    /** @return float points, 0 or more */
    public function cost(Grip $grip, Stance $stance): float;

    /** What it charges for there, where it charges anything. */
    public function fact(Grip $grip, Stance $stance): Fact;
}
