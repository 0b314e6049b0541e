<?php

declare(strict_types=1);

namespace App\Views\Desk;

/** One regular finger of the hand. */
final readonly class FrameView
{
    /**
     * @param  int  $reach  semitones from where the first finger rests
     */
    public function __construct(
        public int $finger,
        public int $reach,
    ) {}
}
