<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Trouble;

use UprightPencil\Core\Fingering\Grips\Grip;
use UprightPencil\Core\Fingering\Grips\Stop;
use UprightPencil\Core\Fingering\Line\Step;
use UprightPencil\Core\Score\Event;
use UprightPencil\Core\Score\Key;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Pitch;

/** One event of a line with all that a teacher sees in it. */
final readonly class PlayedNote
{
    /**
     * @param  int  $place  in the line
     * @param  int  $phrase  counted from 0; a phrase ends at a rest, a repeat sign or after four measures
     * @param  bool  $onTheBeat  it begins on a beat
     * @param  bool  $holdsOverABeat  another beat falls while it sounds
     */
    public function __construct(
        public int $place,
        public Event $event,
        public Grip $grip,
        public Step $step,
        public Key $key,
        public int $phrase,
        public bool $onTheBeat = true,
        public bool $holdsOverABeat = false,
    ) {}

    public function stop(): Stop
    {
        return $this->grip->lead();
    }

    public function note(): Note
    {
        return $this->event->first();
    }

    public function pitch(): Pitch
    {
        return $this->note()->pitch ?? throw new \LogicException('A line holds pitched notes.');
    }

    /** “F♯5”. */
    public function name(): string
    {
        return $this->pitch()->spoken();
    }

    /** Half steps by which the note stands off the key signature. */
    public function offKey(): float
    {
        return $this->pitch()->alter - $this->key->alterOf($this->pitch()->letter);
    }

    /** The leading note of a minor key, or of what may be one where the signature does not say. */
    public function isRaisedSeventh(): bool
    {
        return ($this->key->mode === 'minor' || $this->key->mode === null) && $this->offKey() === 1.0 && $this->pitch()->letter === $this->key->minorSeventh();
    }
}
