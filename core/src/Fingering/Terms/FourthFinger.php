<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Terms;

use UprightPencil\Core\Fingering\Grip;
use UprightPencil\Core\Fingering\StandTerm;
use UprightPencil\Core\Fingering\Step;

/** Violin and viola only: on cello and bass the fourth finger is as good as any. */
final class FourthFinger implements StandTerm
{
    /** @param float $cost points, by level */
    public function __construct(private readonly float $cost) {}

    public function name(): string
    {
        return 'fourth-finger';
    }

    public function sentence(): string
    {
        return 'The fourth finger is weak in the first years.';
    }

    public function cost(Grip $grip, Step $step): float
    {
        foreach ($grip->stops as $stop) {
            if ($stop->finger === 4) {
                return $this->cost;
            }
        }

        return 0.0;
    }
}
