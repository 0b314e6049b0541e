<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering;

/** What lies around one event of the line, for the cost terms. */
final readonly class Step
{
    /** Notes closer than this are fast, in seconds: sixteenths from 60, eighths from 120 quarters a minute. */
    private const FAST = 0.26;

    /** Seconds; a quarter at 110. */
    private const CLOSE = 0.55;

    /**
     * @param  float  $secondsBefore  from the start of the event before to the start of this one
     * @param  float  $restBefore  of silence before this event, in seconds
     * @param  bool  $slurred  in one slur with the event before
     * @param  int  $rise  semitones from the event before (its first note) to this one
     * @param  float  $seconds  that this event lasts
     * @param  bool  $slurredOn  in one slur with the event after
     * @param  bool  $soft  p or softer
     * @param  bool  $returns  the event after this one is the one before it again
     * @param  bool  $comesBack  the event before this one is heard again in this measure
     * @param  Link|null  $link  how the finger comes from the event before, when somebody decided it
     * @param  list<FingerLock|null>  $printed  printed fingers that are suggestions only, one for each note head
     */
    public function __construct(
        public float $secondsBefore,
        public float $restBefore,
        public bool $slurred,
        public int $rise,
        public float $seconds,
        public bool $slurredOn = false,
        public bool $soft = false,
        public bool $returns = false,
        public bool $comesBack = false,
        public ?Link $link = null,
        public array $printed = [],
    ) {}

    public function linked(?Link $link): self
    {
        return new self($this->secondsBefore, $this->restBefore, $this->slurred, $this->rise, $this->seconds, $this->slurredOn, $this->soft, $this->returns, $this->comesBack, $link, $this->printed);
    }

    /** All that the cost of moving depends on besides the two grips: steps with the same signature cost the same. */
    public function signature(): int
    {
        return ($this->isFast() ? 1 : 0)
            | ($this->slurred ? 2 : 0)
            | ($this->afterRest() ? 4 : 0)
            | (($this->rise <=> 0) + 1) << 3
            | ($this->returns ? 32 : 0)
            | ($this->comesBack ? 64 : 0)
            | ($this->link?->number() ?? 0) << 7;
    }

    /** So soon after the note before that a finger had better stay where it is. */
    public function isClose(): bool
    {
        return $this->secondsBefore <= self::CLOSE && ! $this->afterRest();
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
