<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Learning;

/** What of a note a decision is about, as far as it is learned from. */
enum Aspect
{
    /** Finger and string. */
    case Hand;

    /** How the bow comes to a stroke. */
    case Bow;

    case FingersWritten;

    case BowWritten;

    public function isOfTheBow(): bool
    {
        return $this === self::Bow || $this === self::BowWritten;
    }
}
