<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Marks;

/** How much bow was asked for. */
enum BowAmount: string
{
    case Whole = 'whole';
    case Half = 'half';
    case Little = 'little';

    /** @return float bows that are used, whatever the length of the note asks for */
    public function bows(): float
    {
        return match ($this) {
            self::Whole => 1.0,
            self::Half => 0.5,
            self::Little => 0.12,
        };
    }

    /** “whole bow”. */
    public function words(): string
    {
        return "{$this->value} bow";
    }
}
