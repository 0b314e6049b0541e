<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Terms;

use UprightPencil\Core\Fingering\Grip;
use UprightPencil\Core\Fingering\StandTerm;
use UprightPencil\Core\Fingering\Step;

final class OpenString implements StandTerm
{
    /** A note this long is one to vibrate on, in seconds. */
    private const LONG = 1.0;

    public function __construct(private readonly bool $vibrato) {}

    public function name(): string
    {
        return 'open-string';
    }

    public function sentence(): string
    {
        return 'A long open string cannot be vibrated by a class that vibrates.';
    }

    public function cost(Grip $grip, Step $step): float
    {
        return $this->vibrato && $grip->isOpen() && $step->seconds >= self::LONG ? 0.6 : 0.0;
    }
}
