<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

use UprightPencil\Core\Score\Event;

/** The events of one bow direction without a stop. */
final readonly class Stroke
{
    /**
     * @param  int  $number  from 1 through the line
     * @param  non-empty-list<Event>  $events
     * @param  bool  $hooked  goes on in the direction of the stroke before, after a stop, by print or decision
     * @param  int  $gap  ticks of silence before it, as written
     */
    public function __construct(
        public int $number,
        public array $events,
        public bool $hooked,
        public int $gap,
    ) {}

    public function first(): Event
    {
        return $this->events[0];
    }

    /** The first event that has a beat of its own: grace notes go before it. */
    public function onBeat(): Event
    {
        foreach ($this->events as $event) {
            if (! $event->isGrace()) {
                return $event;
            }
        }

        return $this->events[0];
    }

    /** Ticks from its first to the end of its last event. */
    public function ticks(): int
    {
        return $this->events[count($this->events) - 1]->end() - $this->events[0]->start;
    }
}
