<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering;

/** What lies around one event of the line, for the cost terms. */
final readonly class Step
{
    /** Notes closer than this are fast, in seconds: sixteenths from 60, eighths from 120 quarters a minute. */
    private const FAST = 0.26;

    /**
     * @param  float  $secondsBefore  from the start of the event before to the start of this one
     * @param  float  $restBefore  of silence before this event, in seconds
     * @param  bool  $slurred  in one slur with the event before
     * @param  int  $rise  semitones from the event before (its first note) to this one
     * @param  float  $seconds  that this event lasts
     */
    public function __construct(
        public float $secondsBefore,
        public float $restBefore,
        public bool $slurred,
        public int $rise,
        public float $seconds,
    ) {}

    /** All that the cost of moving depends on besides the two grips: steps with the same signature cost the same. */
    public function signature(): int
    {
        return ($this->isFast() ? 1 : 0) | ($this->slurred ? 2 : 0) | ($this->afterRest() ? 4 : 0) | (($this->rise <=> 0) + 1) << 3;
    }

    public function isFast(): bool
    {
        return $this->secondsBefore < self::FAST;
    }

    /** There is time to move the hand unheard. */
    public function afterRest(): bool
    {
        return $this->restBefore >= 0.25;
    }
}
