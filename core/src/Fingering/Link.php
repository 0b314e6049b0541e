<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering;

/** How a finger goes from one note to the next, when somebody decided it. */
enum Link: string
{
    /** One finger on one string, without leaving it. */
    case Slide = 'slide';
    /** One finger across two neighbouring strings at the same place. */
    case Bar = 'bar';

    public function joins(Stop $from, Stop $to): bool
    {
        if ($from->finger === 0 || $from->finger !== $to->finger) {
            return false;
        }

        return match ($this) {
            self::Slide => $from->string === $to->string && $from->place() !== $to->place(),
            self::Bar => abs($from->string - $to->string) === 1 && $from->place() === $to->place(),
        };
    }

    /** Whether it is heard and felt as one: a slide not over a rest, a bar on notes that are close. */
    public function isMade(Stop $from, Stop $to, Step $step): bool
    {
        return $this->joins($from, $to) && match ($this) {
            self::Slide => ! $step->afterRest(),
            self::Bar => $step->isClose(),
        };
    }

    /** 1 or 2, for the signature of a step. */
    public function number(): int
    {
        return $this === self::Slide ? 1 : 2;
    }
}
