<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Terms;

use UprightPencil\Core\Fingering\Grip;
use UprightPencil\Core\Fingering\MoveTerm;
use UprightPencil\Core\Fingering\Step;

/** A slide or a bar that somebody decided is kept whenever any fingers can. */
final class Linked implements MoveTerm
{
    /** More than any fingering of two notes costs otherwise. */
    private const NOT_KEPT = 60.0;

    public function name(): string
    {
        return 'linked';
    }

    public function sentence(): string
    {
        return 'A slide or a bar was decided here.';
    }

    public function cost(Grip $from, Grip $to, Step $step): float
    {
        return $step->link === null || $step->link->joins($from->lead(), $to->lead()) ? 0.0 : self::NOT_KEPT;
    }
}
