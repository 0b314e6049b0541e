<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

use UprightPencil\Core\Score\BowSign;

/** The direction to start in so that the first strong beat, or the first mark before it, comes out right. */
final class Opening
{
    /** @param list<Stroke> $strokes */
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
