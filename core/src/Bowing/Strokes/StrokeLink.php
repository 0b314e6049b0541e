<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Strokes;

/** How the bow gets from one event to the next. */
enum StrokeLink
{
    case Joined;
    case Hooked;
    case Apart;
}
