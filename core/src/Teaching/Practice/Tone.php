<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Practice;

use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\Copying;
use UprightPencil\Core\Score\Pitch;

/** One note, or one rest, of an exercise that has a rhythm of its own. */
final readonly class Tone
{
    use Copying;

    /**
     * @param  int  $ticks  how long it is
     * @param  Pitch|null  $pitch  as written; null: a rest
     * @param  string|null  $finger  as the page shows it
     * @param  int|null  $string  1 is the highest
     * @param  BowSign|null  $bow  written over it
     * @param  string|null  $sung  the word under it
     * @param  string|null  $said  words over it
     * @param  bool  $slides  the finger slides on to the next
     * @param  bool  $measure  it begins a measure: what is left of the one before is a rest
     */
    public function __construct(
        public int $ticks,
        public ?Pitch $pitch = null,
        public ?string $finger = null,
        public ?int $string = null,
        public ?BowSign $bow = null,
        public ?string $sung = null,
        public ?string $said = null,
        public bool $slides = false,
        public bool $measure = false,
    ) {}
}
