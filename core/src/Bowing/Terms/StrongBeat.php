<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Terms;

use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Strings\BowingSchool;

final readonly class StrongBeat implements WayTerm
{
    private const DOWNBEAT = 1.0;

    /** The start of a group inside a measure, against its downbeat. */
    private const HALF_MEASURE = 0.2;

    /** Who lets the bow come as it comes hardly minds. */
    private const AS_IT_COMES = 0.05;

    public function __construct(private BowingSchool $school) {}

    public static function name(): string
    {
        return 'strong-beat';
    }

    public static function sentence(): string
    {
        return 'A strong beat falls on an up-bow.';
    }

    public function cost(Way $way, PlanPlace $at): float
    {
        $cost = $way->start === BowSign::Up && ! $at->stroke->changed && ! $at->stroke->continues ? self::share($at->strength) : 0.0;
        $sign = $way->start;
        foreach ($way->at as $event) {
            $sign = $sign->other();
            $cost += $sign === BowSign::Up && $at->beats->startsMeasure($event) ? self::DOWNBEAT : 0.0;
        }

        return $this->school === BowingSchool::AsItComes ? self::AS_IT_COMES * $cost : $cost;
    }

    private static function share(float $strength): float
    {
        return $strength >= 1.0 ? self::DOWNBEAT : ($strength >= 0.5 ? self::HALF_MEASURE : 0.0);
    }
}
