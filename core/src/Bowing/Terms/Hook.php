<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Terms;

use UprightPencil\Core\Bowing\Marks\BowingSchool;
use UprightPencil\Core\Bowing\Marks\Prices;
use UprightPencil\Core\Bowing\Strokes\Figures;
use UprightPencil\Core\Score\BowSign;

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

    public function __construct(private BowingSchool $school) {}

    public function name(): string
    {
        return 'hook';
    }

    public function sentence(): string
    {
        return 'Two notes go the same way with a stop between them.';
    }

    public function cost(BowSign $from, BowSign $to, PlanPlace $at): float
    {
        if ($from !== $to || $at->stroke->gap > 0 || $at->before === null) {
            return 0.0;
        }

        return $this->hook($at) + ($at->lock !== null && ! $at->isBeforeLocked() ? self::TO_A_TARGET : 0.0);
    }

    private function hook(PlanPlace $at): float
    {
        [$before, $stroke, $next] = [$at->before ?? $at->stroke, $at->stroke, $at->next];
        if (count($before->events) > 1 || count($stroke->events) > 1) {
            return self::PLAIN + self::SLURRED;
        }
        $leads = $next !== null && $at->beats->strength($next->onBeat()) >= 0.25;
        if ($at->strength < 0.5 && $leads && 2 * $stroke->ticks() <= $before->ticks()) {
            return $this->school === BowingSchool::AsItComes ? self::SHORT_AS_IT_COMES : Prices::HOOK;
        }
        if (Figures::isPair($before->last(), $stroke->first(), $at->beats)) {
            return $this->school === BowingSchool::Paired ? self::PAIRED : self::PLAIN;
        }

        return self::PLAIN + self::ON_THE_BEAT * $at->strength;
    }
}
