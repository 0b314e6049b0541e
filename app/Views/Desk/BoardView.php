<?php

declare(strict_types=1);

namespace App\Views\Desk;

/** What a fingerboard is drawn from. Offsets are semitones above the open string. */
final readonly class BoardView
{
    /**
     * @param  list<string>  $strings  lowest first
     * @param  list<int>  $tapes
     * @param  list<FrameView>  $frame
     * @param  list<float>  $positions  every position of the instrument, lowest first
     */
    public function __construct(
        public array $strings,
        public array $tapes,
        public array $frame,
        public array $positions,
    ) {}
}
