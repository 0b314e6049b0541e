<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Marks;

/** A part of the bow, by the words and signs that are pencilled in (`bowing.md`, “Bow time and bow place”). 0 is the frog, 1 the tip. */
enum BowPlace: string
{
    case Frog = 'frog';
    case LowerHalf = 'LH';
    case BalancePoint = 'BP';
    case Middle = 'M';
    case UpperHalf = 'UH';
    case Tip = 'tip';

    /** @return array{float, float} the stretch of the bow that is meant */
    public function stretch(): array
    {
        return match ($this) {
            self::Frog => [0.0, 0.25],
            self::LowerHalf => [0.0, 0.5],
            self::BalancePoint => [0.2, 0.45],
            self::Middle => [0.35, 0.65],
            self::UpperHalf => [0.5, 1.0],
            self::Tip => [0.75, 1.0],
        };
    }

    public function spoken(): string
    {
        return match ($this) {
            self::Frog => 'the frog',
            self::LowerHalf => 'the lower half',
            self::BalancePoint => 'the balance point',
            self::Middle => 'the middle',
            self::UpperHalf => 'the upper half',
            self::Tip => 'the tip',
        };
    }
}
