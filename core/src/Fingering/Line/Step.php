<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Line;

use UprightPencil\Core\Fingering\Grips\FingerLink;
use UprightPencil\Core\Fingering\Grips\FingerLock;
use UprightPencil\Core\Fingering\Grips\Stop;
use UprightPencil\Core\Score\Pace;

/** What lies around one event of the line, for the cost terms. */
final readonly class Step
{
    /** What moving to it may depend on. */
    public Approach $approach;

    /** What a grip in itself may depend on. */
    public Stance $stance;

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
     * @param  bool  $returned  it is the event before the one before it again
     * @param  FingerLink|null  $link  how the finger comes from the event before, when somebody decided it
     * @param  list<FingerLock|null>  $printed  printed fingers that are suggestions only, one for each note head
     * @param  bool  $loud  f or louder
     * @param  Flow  $flow  how the line goes through it
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
        public bool $returned = false,
        public ?FingerLink $link = null,
        public array $printed = [],
        public bool $loud = false,
        public Flow $flow = Flow::Free,
    ) {
        $this->approach = new Approach($this->isFast(), $slurred, $this->afterRest(), $rise <=> 0, $returns, $comesBack, $returned, $link);
        $this->stance = new Stance($seconds, $this->isFast(), $slurred && $slurredOn, $soft, $printed, $loud, $flow);
    }

    public function linked(?FingerLink $link): self
    {
        return new self($this->secondsBefore, $this->restBefore, $this->slurred, $this->rise, $this->seconds, $this->slurredOn, $this->soft, $this->returns, $this->comesBack, $this->returned, $link, $this->printed, $this->loud, $this->flow);
    }

    public function slurredAs(bool $slurred, bool $slurredOn): self
    {
        return new self($this->secondsBefore, $this->restBefore, $slurred, $this->rise, $this->seconds, $slurredOn, $this->soft, $this->returns, $this->comesBack, $this->returned, $this->link, $this->printed, $this->loud, $this->flow);
    }

    /** So soon after the note before that a finger had better stay where it is. */
    public function isClose(): bool
    {
        return Pace::isClose($this->secondsBefore) && ! $this->afterRest();
    }

    public function isFast(): bool
    {
        return Pace::isFast($this->secondsBefore);
    }

    /** There is time to move the hand unheard. */
    public function afterRest(): bool
    {
        return Pace::isRest($this->restBefore);
    }

    /** Whether a slide or bar is heard and felt as one: a slide not over a rest, a bar on notes that are close. */
    public function makes(FingerLink $link, Stop $from, Stop $to): bool
    {
        return $link->joins($from, $to) && ($link === FingerLink::Slide ? ! $this->afterRest() : $this->isClose());
    }
}
