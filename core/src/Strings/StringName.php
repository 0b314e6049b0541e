<?php

declare(strict_types=1);

namespace UprightPencil\Core\Strings;

use UprightPencil\Core\Score\Pitch;

/** A string of an instrument. */
final readonly class StringName
{
    /** @param int $midi the open string's sounding MIDI number */
    public function __construct(
        public string $name,
        public int $midi,
    ) {}

    /** Letters from C0 (0) to the open string, as it sounds. */
    public function diatonic(): int
    {
        return Pitch::of($this->name, 0, intdiv($this->midi, 12) - 1)->diatonic();
    }
}
