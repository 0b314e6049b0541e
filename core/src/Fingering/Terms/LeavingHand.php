<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Terms;

use UprightPencil\Core\Fingering\Grip;
use UprightPencil\Core\Fingering\MoveTerm;
use UprightPencil\Core\Fingering\Step;

final class LeavingHand implements MoveTerm
{
    private const AND_BACK = 0.4;

    public function name(): string
    {
        return 'leaving-hand';
    }

    public function sentence(): string
    {
        return 'The hand leaves a place that it needs again within the measure.';
    }

    public function cost(Grip $from, Grip $to, Step $step): float
    {
        return $from->hand !== $to->hand && $step->comesBack && ! $step->afterRest() && ! $from->isOpen() ? self::AND_BACK : 0.0;
    }
}
