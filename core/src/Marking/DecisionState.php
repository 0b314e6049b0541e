<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

/** How far a decision has come (`marks.md`, “One decision, one record”). */
enum DecisionState: string
{
    case Decided = 'decided';

    /** By a co-teacher, not taken yet. */
    case Suggested = 'suggested';

    /** One of two or more versions side by side. */
    case ToSettle = 'to-settle';

    /** Both are good; the player picks. */
    case YourChoice = 'your-choice';

    /** Whether the page is worked out with it. */
    public function counts(): bool
    {
        return $this === self::Decided || $this === self::YourChoice;
    }
}
