<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

use UprightPencil\Core\Score\BowSign;

/** What is fixed about the bow, by note id: printed signs, the director's decisions, or a plan. */
final readonly class BowMarks
{
    /**
     * @param  array<string, BowSign>  $directions
     * @param  array<string, BowAction>  $actions
     * @param  array<int, true>  $struck  measures (indexes) whose printed slurs are struck
     * @param  array<string, BowPlace>  $places
     * @param  array<int, true>  $hooked  measures whose dotted pairs are hooked
     * @param  array<int, true>  $paired  measures whose second and third of three equal beats are hooked
     * @param  array<string, int>  $desks  how many desks a stagger is for, or how many changes a held note has
     * @param  array<string, StrokeType>  $types
     * @param  array<int, true>  $cuts  ticks at which a change on a held note is printed
     */
    public function __construct(
        public array $directions = [],
        public array $actions = [],
        public array $struck = [],
        public array $places = [],
        public array $hooked = [],
        public array $paired = [],
        public array $desks = [],
        public array $cuts = [],
        public array $types = [],
    ) {}

    /** These marks with others laid over them. */
    public function and(self $others): self
    {
        return new self(
            [...$this->directions, ...$others->directions],
            [...$this->actions, ...$others->actions],
            $this->struck + $others->struck,
            [...$this->places, ...$others->places],
            $this->hooked + $others->hooked,
            $this->paired + $others->paired,
            [...$this->desks, ...$others->desks],
            $this->cuts + $others->cuts,
            [...$this->types, ...$others->types],
        );
    }
}
