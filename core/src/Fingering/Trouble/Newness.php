<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Trouble;

/** How new a thing is for a class. */
enum Newness: string
{
    case NotTaught = 'not-taught';
    /** Taught at this level, not at the one before. */
    case Recent = 'recent';
    case Known = 'known';
}
