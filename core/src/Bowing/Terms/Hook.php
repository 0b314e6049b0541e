<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Terms;

use UprightPencil\Core\Bowing\Marks\Prices;
use UprightPencil\Core\Bowing\Strokes\Figures;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Strings\BowingSchool;

final readonly class Hook implements TurnTerm
{
    /** Two plain notes in one direction. */
    private const PLAIN = 2.7;

    /** More on a beat than between the beats. */
    private const ON_THE_BEAT = 0.4;

    /** A stroke of several notes. */
    private const SLURRED = 1.5;

    /** The short note of a long–short pair, where as it comes is liked better. */
    private const SHORT_AS_IT_COMES = 1.4;

    /** Down, up-up over three equal beats, in the school that wants it so. */
    private const PAIRED = 0.2;

    /** A note that somebody wants down or up is to be reached, not hooked: the change belongs before it. */
    private const TO_A_TARGET = 1.5;

    /** The lift that a phrase's long last note gives time for, where the measure before it would turn everything round. */
    private const LIFT_AFTER_ODD = 0.5;

    private const LIFT = 1.3;

    /** Two equal notes off the beat, or the long last note with the one before it, in a measure that would turn everything round. */
    private const SHORT_IN_AN_ODD_MEASURE = 0.3;

    private const IN_AN_ODD_MEASURE = 0.35;

    public function __construct(private BowingSchool $school) {}

    public static function name(): string
    {
        return 'hook';
    }

    public static function sentence(): string
    {
        return 'Two notes go the same way with a stop between them.';
    }

    public function cost(BowSign $from, BowSign $to, PlanPlace $at): float
    {
        if ($from !== $to || $at->stroke->gap > 0 || $at->before === null) {
            return 0.0;
        }

        return $this->hook($at, $to) + ($at->isTarget() && ! $at->isBeforeLocked() ? self::TO_A_TARGET : 0.0);
    }

    private function hook(PlanPlace $at, BowSign $to): float
    {
        [$before, $stroke, $next] = [$at->before ?? $at->stroke, $at->stroke, $at->next];
        if ($to === BowSign::Down && $this->school !== BowingSchool::AsItComes && $at->phrasing->hasTimeToLift($at->index)) {
            return $at->phrasing->isOdd($at->index - 1) ? self::LIFT_AFTER_ODD : self::LIFT;
        }
        if (count($before->events) > 1 || count($stroke->events) > 1) {
            return self::PLAIN + self::SLURRED;
        }
        if ($at->phrasing->isShortOfPair($at->index) && $this->school !== BowingSchool::AsItComes) {
            return Prices::HOOK;
        }
        if ($this->school === BowingSchool::StrongBeat && $this->mendsOdd($at, $to)) {
            return self::IN_AN_ODD_MEASURE;
        }
        $leads = $next !== null && $at->beats->strength($next->onBeat()) >= 0.25;
        if ($at->strength < 0.5 && $leads && 2 * $stroke->ticks() <= $before->ticks()) {
            return match (true) {
                $this->school === BowingSchool::AsItComes => self::SHORT_AS_IT_COMES,
                $this->school === BowingSchool::StrongBeat && $at->phrasing->isOdd($at->index) => self::SHORT_IN_AN_ODD_MEASURE,
                default => Prices::HOOK,
            };
        }
        if (Figures::isPair($before->last(), $stroke->first(), $at->beats)) {
            return $this->school === BowingSchool::Paired ? self::PAIRED : self::PLAIN;
        }

        return self::PLAIN + self::ON_THE_BEAT * $at->strength;
    }

    /** The odd measure is mended inside itself: weak notes of one length, or a long last note with the one before it. */
    private function mendsOdd(PlanPlace $at, BowSign $to): bool
    {
        $before = $at->before ?? $at->stroke;
        if ($at->strength >= 1.0 || $at->accented || $at->phrasing->isShortOfPair($at->index - 1) || ! $at->phrasing->isOdd($at->index) || $before->onBeat()->measure !== $at->stroke->onBeat()->measure) {
            return false;
        }
        $equal = $before->ticks() === $at->stroke->ticks() && $at->beats->strength($before->onBeat()) < 1.0;
        $longEnd = $at->next !== null && $at->stroke->ticks() >= 2 * $before->ticks() && $at->beats->startsMeasure($at->next->onBeat());

        return $to === BowSign::Up && ($equal || $longEnd);
    }
}
