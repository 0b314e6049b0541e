<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Terms;

use UprightPencil\Core\Fingering\Grip;
use UprightPencil\Core\Fingering\MoveTerm;
use UprightPencil\Core\Fingering\Step;
use UprightPencil\Core\Strings\Placement;

final class Shift implements MoveTerm
{
    public function name(): string
    {
        return 'shift';
    }

    public function sentence(): string
    {
        return 'The hand moves; farther, inside a slur or on short notes is dearer; after a rest, an open string or a harmonic, or with one finger to guide, cheaper.';
    }

    public function cost(Grip $from, Grip $to, Step $step): float
    {
        $way = abs($to->hand - $from->hand);
        if ($way === 0) {
            return 0.0;
        }
        $cost = $way === 1 ? 1.2 : 1.8 + 0.25 * $way;
        $cost *= $step->slurred ? 1.5 : 1.0;
        $cost *= $step->isFast() ? 1.4 : 1.0;
        // The octave harmonic rings wherever near its node the finger lands: it cannot be missed.
        $cost *= $to->lead()->placement === Placement::Harmonic ? 0.6 : 1.0;
        if ($step->afterRest()) {
            return $cost * 0.3;
        }
        if ($from->isOpen() || $from->lead()->placement === Placement::Harmonic) {
            return $cost * 0.4;
        }

        return $from->lead()->finger === $to->lead()->finger && $from->lead()->string === $to->lead()->string ? $cost * 0.85 : $cost;
    }
}
