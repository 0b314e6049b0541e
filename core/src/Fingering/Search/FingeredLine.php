<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Search;

use UprightPencil\Core\Fingering\Grips\Candidates;
use UprightPencil\Core\Fingering\Grips\DecidedCandidates;
use UprightPencil\Core\Fingering\Grips\Fingering;
use UprightPencil\Core\Fingering\Grips\Grip;
use UprightPencil\Core\Fingering\Line\Step;
use UprightPencil\Core\Score\Event;

/** A line with its fingering. */
final readonly class FingeredLine
{
    /** @var list<Event> those that can be played, without the ones that are tied over */
    public array $events;

    /**
     * @param  array<string, Fingering>  $fingerings  note id => fingering; notes that cannot be played are missing
     * @param  float  $cost  points
     * @param  list<Grip>  $grips  one for each event
     * @param  list<Step>  $steps  one for each event
     * @param  list<int>  $phrases  for each event the phrase that it belongs to
     */
    public function __construct(
        public Candidates $candidates,
        public DecidedCandidates $decided,
        public array $fingerings,
        public float $cost,
        public Alternatives $alternatives,
        public array $grips,
        public array $steps,
        public array $phrases,
    ) {
        $this->events = $candidates->events;
    }
}
