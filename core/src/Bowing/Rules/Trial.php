<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Rules;

/** How the fixes of a rule are tried before they are offered. */
enum Trial
{
    /** The music around the finding is bowed again with the fix: it has to be gone, and nothing worse may come up. */
    case Bowed;

    /** What the plan itself does was tried by planning; where it is not planned, it is bowed. */
    case Planned;

    /** What it does is plain: a sign at a jump, or one less where it says nothing. */
    case Certain;
}
