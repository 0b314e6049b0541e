<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Travel;

use UprightPencil\Core\Bowing\Following\BowedStroke;

/** One stroke on one pass, with its way along the bow. */
final readonly class TravelledStroke
{
    /**
     * @param  float  $from  0 is the frog, 1 the tip
     * @param  float  $need  bows that the stroke wants
     * @param  float  $off  bows between where it is and where it wants to be; 0 when nothing is wanted
     */
    public function __construct(
        public BowedStroke $bowed,
        public float $from,
        public float $to,
        public float $need,
        public float $off,
        public ?WantedPlace $wanted,
    ) {}

    /** How much faster (or, below 1, slower) than comfortable the bow goes. */
    public function factor(): float
    {
        return abs($this->to - $this->from) / max(0.01, min(1.0, $this->need));
    }
}
