<?php

declare(strict_types=1);

namespace UprightPencil\Core\Strings;

/** What a class does with fingers that the publisher printed. */
enum PrintedFingers: string
{
    case Follow = 'follow';
    /** Followed unless something speaks against them. */
    case Suggest = 'suggest';
    case Ignore = 'ignore';
}
