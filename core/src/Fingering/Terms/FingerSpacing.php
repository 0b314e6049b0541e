<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Terms;

use UprightPencil\Core\Fingering\Grips\Grip;
use UprightPencil\Core\Fingering\Line\Approach;
use UprightPencil\Core\Strings\Placement;

/** A set hand puts neighbouring fingers a half or a whole step apart. */
final class FingerSpacing implements MoveTerm
{
    /** Dear enough that a low 4 takes the raised note when the finger below it is needed low right after. */
    private const SAME_STRING = 1.8;

    private const NEXT_STRING = 0.7;

    public function __construct(private readonly bool $cello = false) {}

    public static function name(): string
    {
        return 'finger-spacing';
    }

    public static function sentence(): string
    {
        return 'Neighbouring fingers are further apart, or closer, than they lie in the hand: on violin and viola a half to a whole step, on the cello a half step.';
    }

    public function fact(Grip $from, Grip $to, Approach $approach): Fact
    {
        [$one, $other] = [min($from->lead()->finger, $to->lead()->finger), max($from->lead()->finger, $to->lead()->finger)];

        return new Fact("a stretch between {$one} and {$other}", "stretches between {$one} and {$other}");
    }

    public function cost(Grip $from, Grip $to, Approach $approach): float
    {
        [$low, $high] = $from->lead()->finger < $to->lead()->finger ? [$from->lead(), $to->lead()] : [$to->lead(), $from->lead()];
        if ($low->finger === 0 || $low->placement === Placement::Harmonic || $high->placement === Placement::Harmonic || $low->finger === $high->finger || $from->hand !== $to->hand || abs($low->string - $high->string) > 1) {
            return 0.0;
        }
        $closest = $high->finger - $low->finger;
        $apart = $high->place() - $low->place();
        $excess = max(0, $apart - $this->widest($low->finger, $closest), $closest - $apart);

        return $excess * ($low->string === $high->string ? self::SAME_STRING : self::NEXT_STRING);
    }

    /** On the cello only the first finger reaches a whole step, closed or extended. */
    private function widest(int $finger, int $closest): int
    {
        return $this->cello ? $closest + ($finger === 1 ? 1 : 0) : 2 * $closest;
    }
}
