<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Strings\Placement;

/** What was decided about the finger of one note, field by field. */
final class FingerOrder
{
    public ?int $finger = null;

    /** Its name. */
    public ?string $string = null;

    public ?Placement $placement = null;

    /** Half position is 0.5. */
    public ?float $position = null;
}
