<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering;

use UprightPencil\Core\Score\Event;

/** A line with its fingering. */
final readonly class FingeredLine
{
    /**
     * @param  array<string, Fingering>  $fingerings  note id => fingering; notes that cannot be played are missing
     * @param  list<FingeringFinding>  $findings
     * @param  list<Event>  $events  those that can be played, without the ones that are tied over
     * @param  list<Grip>  $grips  one for each event
     * @param  list<Step>  $steps  one for each event
     * @param  float  $cost  points
     */
    public function __construct(
        public array $fingerings,
        public array $findings,
        public float $cost,
        public Alternatives $alternatives,
        public HandMarks $between,
        public array $events,
        public array $grips,
        public array $steps,
    ) {}
}
