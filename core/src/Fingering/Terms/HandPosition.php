<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Terms;

use UprightPencil\Core\Fingering\Grips\Grip;
use UprightPencil\Core\Fingering\Line\Stance;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Placement;

final class HandPosition implements StandTerm
{
    /** Above the octave a string speaks less well than the one beside it, which has the same note lower. */
    private const OCTAVE = 12;

    private const HALF = 0.2;

    /** Bass parts with flats live in half position. */
    private const HALF_ON_THE_BASS = 0.14;

    private const UNSETTLED = 0.3;

    /** Half steps above its open string that first position reaches: violin and viola, and cello and bass. */
    private const FIRST_REACHES = 7;

    private const FIRST_REACHES_LOW = 5;

    private const UNNEEDED = 0.25;

    /** Half steps from a string to the next. */
    private const FIFTH = 7;

    /**
     * @param  bool  $low  cello and bass: their octave harmonic is the usual way to its note, wherever the hand is
     * @param  bool  $closes  cello: a hand above first position is often the closed one
     * @param  float  $factor  the less, the more at home a class is in positions
     */
    public function __construct(
        private readonly bool $low = false,
        private readonly float $factor = 1.0,
        private readonly bool $closes = false,
    ) {}

    public static function name(): string
    {
        return 'position';
    }

    public static function sentence(): string
    {
        return 'The hand is away from first position, or above the octave of a lower string.';
    }

    public function fact(Grip $grip, Stance $stance): Fact
    {
        $name = Instrument::positionNumeral($grip->position);

        return new Fact("a note in {$name}", "notes in {$name}");
    }

    public function cost(Grip $grip, Stance $stance): float
    {
        return match (true) {
            $grip->position === 1.0 || ($this->low && $grip->lead()->placement === Placement::Harmonic) => 0.0,
            $grip->position < 1 => $this->low && ! $this->closes ? self::HALF_ON_THE_BASS : self::HALF,
            default => ($this->closesTheHand($grip) ? $this->factor : 1.0) * (0.3 + 0.1 * ($grip->position - 1)) + $this->unsettled($grip) + $this->aboveTheOctave($grip) + $this->unneeded($grip),
        };
    }

    /** The second position of violin and viola has no open string and no body of the instrument to feel for. */
    private function unsettled(Grip $grip): float
    {
        return ! $this->low && $grip->position === 2.0 ? self::UNSETTLED : 0.0;
    }

    private function aboveTheOctave(Grip $grip): float
    {
        return $grip->lead()->isOnTopString() ? 0.0 : 0.4 * max(0, $grip->lead()->offset - self::OCTAVE);
    }

    /** First position has the note too: the lowest hand that holds the line is the usual one. */
    private function unneeded(Grip $grip): float
    {
        $highest = $this->low ? self::FIRST_REACHES_LOW : self::FIRST_REACHES;
        if ($grip->lead()->isOnTopString() && $grip->lead()->offset > $highest) {
            return 0.0;
        }

        return $this->closes && $grip->position < 3 ? 0.0 : self::UNNEEDED;
    }

    /**
     * The cellist's second position spares the hand a stretch where first position has one: a half step below its 1 and above
     * its 4. For other notes it is no nearer to those who are at home in it.
     */
    private function closesTheHand(Grip $grip): bool
    {
        return ! $this->closes || $grip->position >= 3 || in_array($grip->lead()->offset % self::FIFTH, [1, 6], true);
    }
}
