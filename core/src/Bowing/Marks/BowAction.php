<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Marks;

/** What happens to the bow at the start of a stroke, other than changing direction. */
enum BowAction: string
{
    /** Same direction after a stop. */
    case Hook = 'hook';
    /** The bow leaves the string and comes back to the frog. */
    case Retake = 'retake';
    /** The bow leaves the string in a rest and is set down elsewhere. */
    case Lift = 'lift';
    /** The bow changes on a held note. */
    case Change = 'change';
    /** The bow changes inside a printed slur. */
    case Split = 'split';
    /** The stroke goes on though no slur is printed. */
    case Join = 'join';
    /** A printed slur is struck out. */
    case Strike = 'strike';
    /** Players or desks change at different times on a held note. */
    case Stagger = 'stagger';

    /** What it costs to do it, in points. */
    public function price(): float
    {
        return match ($this) {
            self::Hook, self::Join => Prices::HOOK,
            self::Retake, self::Lift => Prices::RETAKE,
            self::Change => Prices::CHANGE,
            self::Split => Prices::SPLIT,
            self::Strike => Prices::STRIKE,
            self::Stagger => Prices::STAGGER,
        };
    }
}
