<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering;

/** A line with its fingering. */
final readonly class FingeredLine
{
    /**
     * @param  array<string, Fingering>  $fingerings  note id => fingering; notes that cannot be played are missing
     * @param  list<FingeringFinding>  $findings
     * @param  float  $cost  points
     */
    public function __construct(
        public array $fingerings,
        public array $findings,
        public float $cost,
        public Alternatives $alternatives,
        public HandMarks $between,
    ) {}
}
