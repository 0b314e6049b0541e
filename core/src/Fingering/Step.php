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
