<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Terms;

use UprightPencil\Core\Fingering\Grip;
use UprightPencil\Core\Fingering\StandTerm;
use UprightPencil\Core\Fingering\Step;

/** Such grips are only tried where no other plays the note; the cost finds the one nearest to what is known. */
final class Untaught implements StandTerm
{
    public function name(): string
    {
        return 'untaught';
    }

    public function sentence(): string
    {
        return 'The class has not been taught this.';
    }

    public function cost(Grip $grip, Step $step): float
    {
        return $grip->untaught === null ? 0.0 : 20.0 + 2.0 * abs($grip->position - 1);
    }
}
