<?php

declare(strict_types=1);

namespace App\Access;

/** What somebody may want to do in an ensemble. */
enum Ability
{
    /** See a part on the desk, print it. */
    case View;

    /** Put something into a part's record. */
    /** Say what one would decide. */
    case Suggest;

    case Decide;

    /** Hand a part out: links for students. */
    case Share;

    /** Name the ensemble, its year, its pieces; bring music in; put away and take away. */
    case Direct;
}
