<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Following;

use UprightPencil\Core\Bowing\Marks\BowMarks;
use UprightPencil\Core\Bowing\Strokes\Stroke;
use UprightPencil\Core\Score\Beats;
use UprightPencil\Core\Score\BowSign;

/** The direction to start in so that the first strong beat, or the first mark before it, comes out right. */
final class Opening
{
    /** A start that meets no strong beat in so many strokes goes down. */
    public const LOOK_AHEAD = 64;

    /** A measure or more of silence lies before it: the bow starts anew (`bowing.md`, “From notes to strokes”). */
    public static function isFresh(Stroke $stroke, Beats $beats): bool
    {
        return $stroke->gap > 0 && $stroke->gap >= $beats->measureTicksAt($stroke->start);
    }

    /** @param list<Stroke> $strokes from the one that is to be started with */
    public static function of(array $strokes, BowMarks $marks, Beats $beats): BowSign
    {
        $turns = 0;
        foreach ($strokes as $index => $stroke) {
            $turns += $index === 0 || $stroke->hooked ? 0 : 1;
            $target = BowFollower::lock($stroke, $marks);
            if ($target === null && $beats->startsMeasure($stroke->onBeat())) {
                $target = BowSign::Down;
            }
            if ($target !== null) {
                return $turns % 2 === 0 ? $target : $target->other();
            }
        }

        return BowSign::Down;
    }
}
