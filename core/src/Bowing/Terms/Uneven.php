<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Terms;

use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Strings\BowingSchool;

final readonly class Uneven implements TurnTerm
{
    private const EACH_TIME = 1.6;

    public function __construct(private BowingSchool $school) {}

    public static function name(): string
    {
        return 'uneven';
    }

    public static function sentence(): string
    {
        return 'A long–short rhythm is bowed as it comes: the short note has to bring the whole bow back.';
    }

    public function cost(BowSign $from, BowSign $to, PlanPlace $at): float
    {
        return $from !== $to && $this->school !== BowingSchool::AsItComes && $at->phrasing->isShortOfPair($at->index) ? self::EACH_TIME : 0.0;
    }
}
