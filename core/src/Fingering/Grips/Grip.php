<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Grips;

/** A state of the search: how the left hand plays one event. */
final readonly class Grip
{
    /**
     * @param  int  $hand  the offset at which the regular first finger rests; an open string has the hand of its neighbours
     * @param  non-empty-list<Stop>  $stops  one for each note head of the event, in its order
     * @param  float  $position  the position's name as a number
     * @param  string|null  $untaught  what of it the class has not been taught
     * @param  int  $id  tells the grips of one search apart
     */
    public function __construct(
        public int $hand,
        public array $stops,
        public float $position,
        public ?string $untaught = null,
        public int $id = 0,
    ) {}

    /** The stop that leads the hand: the only one, or the first of a chord. */
    public function lead(): Stop
    {
        return $this->stops[0];
    }

    /** Another string or another finger on the first note. */
    public function isFingeredOtherwise(self $than): bool
    {
        return $this->lead()->string !== $than->lead()->string || $this->lead()->finger !== $than->lead()->finger;
    }

    public function isOpen(): bool
    {
        return $this->stops[0]->finger === 0 && count($this->stops) === 1;
    }
}
