<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Grips;

use UprightPencil\Core\Strings\InstrumentData;
use UprightPencil\Core\Strings\Placement;

/** One note on one string: open, or stopped by a finger. */
final readonly class Stop
{
    /**
     * @param  int  $string  0 is the lowest string
     * @param  int  $offset  semitones above the open string
     * @param  int  $finger  0 (open) to 4
     * @param  int  $strain  letters between the finger that the spelling suggests and this one
     * @param  float  $position  of the hand, as the spelling names it; half is 0.5
     * @param  int|null  $touch  semitones above the open string where a harmonic is touched
     */
    public function __construct(
        public int $string,
        public int $offset,
        public int $finger,
        public Placement $placement,
        public int $strain = 0,
        public float $position = 1.0,
        private ?int $touch = null,
    ) {}

    public function isOnTopString(): bool
    {
        return $this->string === InstrumentData::TOP_STRING;
    }

    /** Where the finger lies, in semitones above the open string: below the sounding note for most harmonics. */
    public function place(): int
    {
        return $this->touch ?? $this->offset;
    }
}
