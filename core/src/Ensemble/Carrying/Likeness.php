<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble\Carrying;

/** How a like place stands to what is decided in another. */
enum Likeness: string
{
    /** Nothing is decided there that would be lost. */
    case Free = 'free';

    /** It is decided as there. */
    case Same = 'same';

    /** Something else is decided there: it is left alone, and told once. */
    case Otherwise = 'otherwise';

    /** It is meant to differ. */
    case Apart = 'apart';
}
