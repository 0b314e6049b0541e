<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

/** How the bow gets from one event to the next. */
enum Link
{
    case Joined;
    case Hooked;
    case Apart;
}
