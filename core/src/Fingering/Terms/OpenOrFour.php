<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Terms;

use UprightPencil\Core\Fingering\Grips\Grip;
use UprightPencil\Core\Fingering\Line\Flow;
use UprightPencil\Core\Fingering\Line\Stance;
use UprightPencil\Core\Strings\OpenStrings;

/** The school's rule for a note that is both an open string and a fourth finger on the string below. */
final class OpenOrFour implements StandTerm
{
    private const AGAINST_SCHOOL = 1.2;

    /** Four where the line leaps, turns or goes up: the open string is there and rings. */
    private const AGAINST_THE_LINE = 2.4;

    /** The fourth finger a fifth above the open string sounds the next string. */
    private const FIFTH = 7;

    public function __construct(
        private readonly OpenStrings $school,
        private readonly bool $vibrato = false,
    ) {}

    public static function name(): string
    {
        return 'open-or-four';
    }

    public static function sentence(): string
    {
        return 'Open string or fourth finger, against what this class does.';
    }

    public function fact(Grip $grip, Stance $stance): Fact
    {
        return match (true) {
            $grip->lead()->finger === 4 && $this->school === OpenStrings::UpOpenDownFour => new Fact('a 4 where the open string is natural', '4s where the open string is natural'),
            $grip->lead()->finger === 4 => new Fact('a 4 for an open string', '4s for open strings'),
            $this->school === OpenStrings::UpOpenDownFour => new Fact('an open string on the way down', 'open strings on the way down'),
            default => new Fact('an open string'),
        };
    }

    public function cost(Grip $grip, Stance $stance): float
    {
        return match ($this->school) {
            OpenStrings::Open => $this->isFour($grip) ? self::AGAINST_SCHOOL : 0.0,
            OpenStrings::Four => $this->isAvoidableOpen($grip) ? self::AGAINST_SCHOOL : 0.0,
            OpenStrings::UpOpenDownFour => match ($stance->flow) {
                Flow::Through => $this->isAvoidableOpen($grip) ? self::AGAINST_SCHOOL : 0.0,
                Flow::Free => $this->isFour($grip) && ! $this->sings($stance) ? self::AGAINST_THE_LINE : 0.0,
                Flow::Turn => 0.0,
            },
        };
    }

    /** A soft long note of a class that vibrates may be stopped wherever it stands. */
    private function sings(Stance $stance): bool
    {
        return $this->vibrato && $stance->soft && $stance->seconds >= OpenString::LONG;
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
