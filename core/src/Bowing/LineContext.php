<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

use UprightPencil\Core\Bowing\Planning\EndingsPlan;
use UprightPencil\Core\Bowing\Planning\PlanMemory;
use UprightPencil\Core\Bowing\Planning\Planner;
use UprightPencil\Core\Bowing\Planning\WayFinder;
use UprightPencil\Core\Bowing\Strokes\LeftHand;
use UprightPencil\Core\Bowing\Strokes\LineReading;
use UprightPencil\Core\Bowing\Strokes\SlurLoad;
use UprightPencil\Core\Bowing\Terms\BowTerms;
use UprightPencil\Core\Bowing\Travel\BowTravel;

/** What bowing one line needs besides its part: how it was read and what the left hand does in it. */
final readonly class LineContext
{
    public SlurLoad $load;

    public BowTravel $travel;

    public EndingsPlan $planner;

    /** Seconds of a full circle of the bow. */
    public float $circle;

    public function __construct(
        public BowingContext $part,
        public LineReading $reading,
        public LeftHand $hand,
        PlanMemory $memory = new PlanMemory,
    ) {
        $time = $part->time;
        $this->circle = $part->grid->circle;
        $this->load = new SlurLoad($time->need, $hand, $time->beats, $part->profile->level);
        $this->travel = new BowTravel($time->need, $hand, $part->grid);
        $ways = new WayFinder($time->need, $this->load, $time->changes, $part->profile);
        $terms = BowTerms::for($part->school, $part->profile, $time->need, $this->load, $this->circle);
        $this->planner = new EndingsPlan(new Planner($time->beats, $ways, $terms, $time->need, $this->circle, $hand, $memory), $part->jumps);
    }
}
