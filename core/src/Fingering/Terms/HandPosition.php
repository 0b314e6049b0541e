<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Terms;

use UprightPencil\Core\Fingering\Grip;
use UprightPencil\Core\Fingering\StandTerm;
use UprightPencil\Core\Fingering\Step;

final class HandPosition implements StandTerm
{
    public function name(): string
    {
        return 'position';
    }

    public function sentence(): string
    {
        return 'The hand is away from first position.';
    }

    public function cost(Grip $grip, Step $step): float
    {
        return $grip->position === 1.0 ? 0.0 : ($grip->position < 1 ? 0.2 : 0.15 + 0.1 * ($grip->position - 1));
    }
}
