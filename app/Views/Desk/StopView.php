<?php

declare(strict_types=1);

namespace App\Views\Desk;

use UprightPencil\Core\Fingering\Grips\Fingering;

/** A note on one string: open, or stopped by a finger. */
final readonly class StopView
{
    /**
     * @param  int  $string  0 is the lowest string
     * @param  int  $offset  semitones above the open string
     * @param  int  $hand  offset of the regular first finger
     */
    public function __construct(
        public int $string,
        public int $offset,
        public int $finger,
        public int $hand,
    ) {}

    public static function of(Fingering $fingering): self
    {
        return new self($fingering->stop->string, $fingering->stop->place(), $fingering->stop->finger, $fingering->hand);
    }
}
