<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

/** What a decision may be about. */
enum Reach
{
    case Note;

    /** From one note to another. */
    case Span;

    /** A run of printed measures. */
    case Measures;

    /** All measures of a part. */
    case Part;
}
