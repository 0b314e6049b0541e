<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Strokes;

use UprightPencil\Core\Score\Event;
use UprightPencil\Core\Score\Jumps;
use UprightPencil\Core\Score\Line;

/** What is read of a line once, however often its bow is tried: its slurs, and what is heard before each ending. */
final readonly class LineReading
{
    /**
     * @param  list<Event>  $events
     * @param  array<int, Event>  $leads  first events of later endings => the event that is heard before them
     */
    private function __construct(
        private array $events,
        public Slurs $slurs,
        public array $leads,
    ) {}

    public static function of(Line $line, Jumps $jumps): self
    {
        $last = $leads = [];
        $before = null;
        foreach ($line->events as $event) {
            $last[$event->measure] = $event;
            $lead = $jumps->leadOf($event->measure);
            $opens = $before !== null && ($jumps->endings[$before->measure] ?? null) !== ($jumps->endings[$event->measure] ?? null);
            if ($lead !== null && $opens && isset($last[$lead]) && $before->measure !== $lead) {
                $leads[$event->index] = $last[$lead];
            }
            $before = $event;
        }

        return new self($line->events, Slurs::of($line), $leads);
    }

    /** @return array<string, true> notes under printed slurs, by id */
    public function slurred(): array
    {
        $notes = [];
        foreach ($this->slurs->under as $event => $start) {
            $notes[$this->events[$event]->first()->id] = $notes[$this->events[$start]->first()->id] = true;
        }

        return $notes;
    }

    /** The last bowed event before another; null at the start of a part. */
    public function before(Event $event, Plucked $plucked): ?Event
    {
        for ($index = $event->index - 1; $index >= 0; $index--) {
            if (! $plucked->is($this->events[$index])) {
                return $this->events[$index];
            }
        }

        return null;
    }
}
