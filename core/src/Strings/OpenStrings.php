<?php

declare(strict_types=1);

namespace UprightPencil\Core\Strings;

/** A school's rule for open string or fourth finger. */
enum OpenStrings: string
{
    case UpOpenDownFour = 'up-open-down-four';
    case Open = 'open';
    case Four = 'four';
}
