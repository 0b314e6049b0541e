<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Terms;

use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Strings\BowingSchool;

final readonly class Entry implements WayTerm
{
    /** Beyond what its beat costs. */
    private const UP = 0.6;

    private const UP_AS_IT_COMES = 1.0;

    /** A short note after a rest that leads to a long one on a stronger beat comes down, so that the long one comes up. */
    private const UPBEAT_DOWN = 0.8;

    /** Times that the long one is longer. */
    private const LONG = 2;

    public function __construct(private BowingSchool $school) {}

    public static function name(): string
    {
        return 'entry';
    }

    public static function sentence(): string
    {
        return 'An entry, or the long last note, falls on an up-bow.';
    }

    public function cost(Way $way, PlanPlace $at): float
    {
        $resolution = $at->beats->resolution;
        if ($this->isUpbeat($way, $at)) {
            return self::UPBEAT_DOWN;
        }
        if ($way->start === BowSign::Down || $at->stroke->changed || $at->stroke->continues || $at->strength < 0.5) {
            return 0.0;
        }
        $asksDown = $at->stroke->isEntry($resolution) || ($at->isLast() && $at->stroke->isLong($resolution));

        return $asksDown ? ($this->school === BowingSchool::AsItComes ? self::UP_AS_IT_COMES : self::UP) : 0.0;
    }

    private function isUpbeat(Way $way, PlanPlace $at): bool
    {
        return $way->start === BowSign::Down && $way->turns === 0 && $this->school === BowingSchool::StrongBeat && $at->next !== null && $at->next->gap === 0
            && ($at->stroke->gap > 0 || $at->index === 0) && $at->stroke->isOneNote() && $at->strength < 0.5
            && $at->next->ticks() >= self::LONG * $at->stroke->ticks() && $at->beats->strength($at->next->onBeat()) >= 0.5;
    }
}
