<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Grips;

/** How one note head is fingered. */
final readonly class Fingering
{
    /**
     * @param  int  $hand  offset of the regular first finger
     * @param  float  $position  half is 0.5
     * @param  string|null  $untaught  what the class has not been taught
     * @param  bool  $locked  some part of it was decided or printed
     * @param  bool  $choice  open string or fourth finger: the player's choice
     */
    public function __construct(
        public Stop $stop,
        public int $hand,
        public float $position,
        public ?string $untaught,
        public bool $locked,
        public bool $choice = false,
    ) {}
}
