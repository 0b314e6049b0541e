<?php

declare(strict_types=1);

namespace UprightPencil\Core\Strings;

/** How much is written on the page for a class. */
enum Density: string
{
    /** The fewest marks that leave no doubt, and reminders about once a line. */
    case FirstYear = 'first-year';
    case Usual = 'usual';
    /** Only what does not come by itself. */
    case Sparse = 'sparse';
}
