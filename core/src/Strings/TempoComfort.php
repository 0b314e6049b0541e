<?php

declare(strict_types=1);

namespace UprightPencil\Core\Strings;

/** How fast the hands of a class go against others of its level. */
enum TempoComfort: string
{
    case Slower = 'slower';
    case Usual = 'usual';
    case Faster = 'faster';

    /** What a quarter note at 100 feels like to them, against 100 (ours). */
    public function factor(): float
    {
        return match ($this) {
            self::Slower => 1.25,
            self::Usual => 1.0,
            self::Faster => 0.8,
        };
    }
}
