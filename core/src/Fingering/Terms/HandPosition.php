<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Terms;

use UprightPencil\Core\Fingering\Grip;
use UprightPencil\Core\Fingering\StandTerm;
use UprightPencil\Core\Fingering\Step;
use UprightPencil\Core\Strings\Placement;

final class HandPosition implements StandTerm
{
    /** Above the octave a string speaks less well than the one beside it, which has the same note lower. */
    private const OCTAVE = 12;

    private const TOP_STRING = 3;

    /** @param bool $harmonicsRing cello and bass: the octave harmonic is the usual way to its note, wherever the hand is */
    public function __construct(private readonly bool $harmonicsRing = false) {}

    public function name(): string
    {
        return 'position';
    }

    public function sentence(): string
    {
        return 'The hand is away from first position, or above the octave of a lower string.';
    }

    public function cost(Grip $grip, Step $step): float
    {
        return match (true) {
            $grip->position === 1.0 || ($this->harmonicsRing && $grip->lead()->placement === Placement::Harmonic) => 0.0,
            $grip->position < 1 => 0.2,
            default => 0.3 + 0.1 * ($grip->position - 1) + $this->aboveTheOctave($grip),
        };
    }

    private function aboveTheOctave(Grip $grip): float
    {
        return $grip->lead()->string < self::TOP_STRING ? 0.4 * max(0, $grip->lead()->offset - self::OCTAVE) : 0.0;
    }
}
