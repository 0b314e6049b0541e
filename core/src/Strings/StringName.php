<?php

declare(strict_types=1);

namespace UprightPencil\Core\Strings;

/** A string of an instrument. */
final readonly class StringName
{
    /** @param int $midi the open string's sounding MIDI number */
    public function __construct(
        public string $name,
        public int $midi,
    ) {}
}
