<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Terms;

/** One reason why a bowing is dear. Costs are points: 1 is about an up-bow on a downbeat in the strong-beat school. */
interface BowTerm
{
    /** The name under which a profile can weigh it. */
    public static function name(): string;

    /** What it is about, for a teacher. */
    public static function sentence(): string;
}
