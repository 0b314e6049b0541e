<?php

declare(strict_types=1);

namespace UprightPencil\Core\Strings;

/** How a class reaches the half step below the first finger: violin and viola low 1, cello the extension back. */
enum LowFirst: string
{
    /** The finger reaches, the hand stays. */
    case Reach = 'reach';
    /** The whole hand moves: to half position, or back a half step. */
    case Move = 'move';
}
