<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Terms;

use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Score\BowSign;

/** What print, director and the strokes themselves leave no choice in. It is no taste, so no profile weighs it. */
final class Kept
{
    /** Points that no other reason outweighs. */
    public const FORBIDDEN = 50.0;

    /** The first stroke of a stretch goes on from what was played before it, unless all else speaks against it. */
    private const AGAINST_ENTRY = 25.0;

    /** Two strokes in one direction across the end of a stretch, where what follows is known. */
    private const AGAINST_EXIT = 1.0;

    /** @param BowSign|null $after the direction that follows the line, where that is known */
    public static function standing(Way $way, PlanPlace $at, ?BowSign $after): float
    {
        return ($at->index === 0 && $way->start === $at->entered && ! $at->fresh ? self::AGAINST_ENTRY : 0.0)
            + ($at->next === null && $way->end() === $after ? self::AGAINST_EXIT : 0.0);
    }

    /** @return float|null null where the bow is free to turn or not */
    public static function turning(BowSign $from, BowSign $to, PlanPlace $at): ?float
    {
        return match (true) {
            $at->stroke->hooked, $at->stroke->continues => $from === $to ? 0.0 : self::FORBIDDEN,
            $at->stroke->changed => $from === $to ? self::FORBIDDEN : 0.0,
            $at->free => 0.0,
            $at->action === BowAction::Retake => $to === ($at->lock ?? BowSign::Down) ? 0.0 : self::FORBIDDEN,
            $at->action === BowAction::Lift && $from === $to && $at->stroke->gap === 0 => self::FORBIDDEN,
            default => null,
        };
    }
}
