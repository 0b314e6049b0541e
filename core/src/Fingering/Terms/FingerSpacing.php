<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Terms;

use UprightPencil\Core\Fingering\Grip;
use UprightPencil\Core\Fingering\MoveTerm;
use UprightPencil\Core\Fingering\Step;

/** A set hand puts neighbouring fingers a half or a whole step apart. */
final class FingerSpacing implements MoveTerm
{
    /** Dear enough that a low 4 takes the raised note when the finger below it is needed low right after. */
    private const SAME_STRING = 1.8;

    private const NEXT_STRING = 0.7;

    public function name(): string
    {
        return 'finger-spacing';
    }

    public function sentence(): string
    {
        return 'Neighbouring fingers are more than a whole step or less than a half step apart.';
    }

    public function cost(Grip $from, Grip $to, Step $step): float
    {
        $a = $from->lead();
        $b = $to->lead();
        if ($a->finger === 0 || $b->finger === 0 || $from->hand !== $to->hand || $a->finger === $b->finger || abs($a->string - $b->string) > 1) {
            return 0.0;
        }
        $fingers = abs($b->finger - $a->finger);
        $apart = ($b->finger > $a->finger ? 1 : -1) * ($b->offset - $a->offset);
        $excess = max(0, $apart - 2 * $fingers, $fingers - $apart);

        return $excess * ($a->string === $b->string ? self::SAME_STRING : self::NEXT_STRING);
    }
}
