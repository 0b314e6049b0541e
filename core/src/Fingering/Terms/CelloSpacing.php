<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Terms;

use UprightPencil\Core\Fingering\Grip;
use UprightPencil\Core\Fingering\MoveTerm;
use UprightPencil\Core\Fingering\Step;

/** On the cello only the first finger reaches a whole step; the others stay a half step apart, closed or extended. */
final class CelloSpacing implements MoveTerm
{
    private const SAME_STRING = 1.8;

    private const NEXT_STRING = 0.7;

    public function name(): string
    {
        return 'finger-spacing';
    }

    public function sentence(): string
    {
        return 'The second, third and fourth fingers are more or less than a half step apart, or the first is too far from them.';
    }

    public function cost(Grip $from, Grip $to, Step $step): float
    {
        [$low, $high] = $from->lead()->finger < $to->lead()->finger ? [$from->lead(), $to->lead()] : [$to->lead(), $from->lead()];
        if ($low->finger === 0 || $low->finger === $high->finger || $from->hand !== $to->hand || abs($low->string - $high->string) > 1) {
            return 0.0;
        }
        $closed = $high->finger - $low->finger;
        $widest = $low->finger === 1 ? $closed + 1 : $closed;
        $apart = $high->offset - $low->offset;

        return max(0, $apart - $widest, $closed - $apart) * ($low->string === $high->string ? self::SAME_STRING : self::NEXT_STRING);
    }
}
