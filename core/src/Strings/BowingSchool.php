<?php

declare(strict_types=1);

namespace UprightPencil\Core\Strings;

/** What a director wants of the bow (`bowing.md`, “Schools”). What it weighs is in the terms of the planner. */
enum BowingSchool: string
{
    case StrongBeat = 'strong-beat';
    case AsItComes = 'as-it-comes';
    case Paired = 'paired';
}
