<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Terms;

/** One reason why a fingering is dear. Costs are points: 1 is about what a teacher would give to avoid one shift by a step. */
interface Term
{
    /** The name under which a profile can weigh it. */
    public static function name(): string;

    /** What it is about, for a teacher. */
    public static function sentence(): string;
}
