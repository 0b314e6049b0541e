<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Terms;

use UprightPencil\Core\Fingering\Grips\Grip;
use UprightPencil\Core\Fingering\Line\Approach;

final class LeavingHand implements MoveTerm
{
    private const AND_BACK = 0.4;

    /** There and back from one note to the next: the hand waits for it. */
    private const AT_ONCE = 0.4;

    public static function name(): string
    {
        return 'leaving-hand';
    }

    public static function sentence(): string
    {
        return 'The hand leaves a place that it needs again within the measure, or at once.';
    }

    public function fact(Grip $from, Grip $to, Approach $approach): Fact
    {
        return new Fact('a hand left and needed again', 'hands left and needed again');
    }

    public function cost(Grip $from, Grip $to, Approach $approach): float
    {
        if ($from->hand === $to->hand || $approach->afterRest) {
            return 0.0;
        }
        $atOnce = ($approach->returns && ! $from->isOpen()) || ($approach->returned && ! $to->isOpen());

        return ($approach->comesBack && ! $from->isOpen() ? self::AND_BACK : 0.0) + ($atOnce ? self::AT_ONCE : 0.0);
    }
}
