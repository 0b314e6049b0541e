<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Terms;

use UprightPencil\Core\Fingering\Grips\Grip;
use UprightPencil\Core\Fingering\Line\Approach;
use UprightPencil\Core\Strings\OpenStrings;

/** The school's rule for a note that is both an open string and a fourth finger on the string below. */
final class OpenOrFour implements MoveTerm
{
    private const AGAINST_SCHOOL = 1.2;

    /** The fourth finger a fifth above the open string sounds the next string. */
    private const FIFTH = 7;

    public function __construct(private readonly OpenStrings $school) {}

    public function name(): string
    {
        return 'open-or-four';
    }

    public function sentence(): string
    {
        return 'Open string or fourth finger, against what this class does.';
    }

    public function cost(Grip $from, Grip $to, Approach $approach): float
    {
        return match ($this->school) {
            OpenStrings::Open => $this->isFour($to) ? self::AGAINST_SCHOOL : 0.0,
            OpenStrings::Four => $this->isAvoidableOpen($to) ? self::AGAINST_SCHOOL : 0.0,
            OpenStrings::UpOpenDownFour => $this->againstDirection($from, $to, $approach),
        };
    }

    private function againstDirection(Grip $from, Grip $to, Approach $approach): float
    {
        $crosses = $to->lead()->string <=> $from->lead()->string;
        $openDown = $this->isAvoidableOpen($from) && $approach->rise < 0 && $crosses < 0;
        $fourUp = $this->isFour($from) && $approach->rise > 0 && $crosses > 0;

        return $openDown || $fourUp ? self::AGAINST_SCHOOL : 0.0;
    }

    private function isFour(Grip $grip): bool
    {
        return $grip->lead()->finger === 4 && $grip->lead()->offset === self::FIFTH && ! $grip->lead()->isOnTopString();
    }

    private function isAvoidableOpen(Grip $grip): bool
    {
        return $grip->lead()->finger === 0 && $grip->lead()->string > 0;
    }
}
