<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

use UprightPencil\Core\Score\BowSign;

/** How a stretch of a line is entered, and whether it goes on to the end. */
final readonly class Entry
{
    /**
     * @param  BowSign|null  $direction  of the stroke before it; null at the start of a part
     * @param  float|null  $place  where that stroke ended: 0 is the frog, 1 the tip; null at the start
     * @param  bool  $ends  its last stroke is the last of the line
     */
    public function __construct(
        public ?BowSign $direction = null,
        public ?float $place = null,
        public bool $ends = true,
    ) {}
}
