<?php

declare(strict_types=1);

namespace UprightPencil\Core\Strings;

/** What the basses of a class have below the open E. */
enum LowBass: string
{
    case None = 'none';

    /** The E string goes on down to C, with a key for each half step: no finger of a hand is needed. */
    case Extension = 'extension';

    case FifthString = 'fifth-string';

    /** Half steps below the open E that the extension has. */
    public const EXTENSION = 4;
}
