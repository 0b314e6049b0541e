<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Grips;

/** How a finger goes from one note to the next, when somebody decided it. */
enum FingerLink: string
{
    /** One finger on one string, without leaving it. */
    case Slide = 'slide';
    /** One finger across two neighbouring strings at the same place. */
    case Bar = 'bar';

    /** The hand moves here. */
    case Shift = 'shift';

    /** The hand stays where it was. */
    case Stay = 'stay';

    public function joins(Stop $from, Stop $to): bool
    {
        if ($from->finger === 0 || $from->finger !== $to->finger) {
            return false;
        }

        return match ($this) {
            self::Slide => $from->string === $to->string && $from->place() !== $to->place(),
            self::Bar => abs($from->string - $to->string) === 1 && $from->place() === $to->place(),
            self::Shift, self::Stay => false,
        };
    }

    /** Whether two grips do what was decided. */
    public function isKept(Grip $from, Grip $to): bool
    {
        return match ($this) {
            // To another position, not into half position or back.
            self::Shift => abs($from->position - $to->position) >= 1.0 && ! $to->isOpen(),
            self::Stay => $from->hand === $to->hand,
            default => $this->joins($from->lead(), $to->lead()),
        };
    }

    /** From 1, for the signature of a step. */
    public function number(): int
    {
        return (int) array_search($this, self::cases(), true) + 1;
    }
}
