<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Terms;

use UprightPencil\Core\Fingering\Grips\Grip;
use UprightPencil\Core\Fingering\Line\Approach;

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

    public function fact(Grip $from, Grip $to, Approach $approach): Fact
    {
        return new Fact('a hand left and needed again', 'hands left and needed again');
    }

    public function cost(Grip $from, Grip $to, Approach $approach): float
    {
        return $from->hand !== $to->hand && $approach->comesBack && ! $approach->afterRest && ! $from->isOpen() ? self::AND_BACK : 0.0;
    }
}
