<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Strokes;

use UprightPencil\Core\Score\Beats;
use UprightPencil\Core\Score\Event;

/** Figures of two and three notes that teachers bow in one customary way. */
final class Figures
{
    /** A dotted note and the short one that fills its beat, or a quarter and an eighth that make a compound beat. */
    public static function isDottedPair(Event $long, Event $short, Beats $beats): bool
    {
        if ($short->start !== $long->end() || $short->duration() <= 0 || $long->isGrace()) {
            return false;
        }
        $value = $long->first()->value;
        $dotted = $value !== null && $value->dots > 0 && $long->duration() === 3 * $short->duration() && $long->duration() < $beats->measureTicksAt($long->start) / 2;

        return $dotted || ($long->duration() === 2 * $short->duration() && $beats->isCompound($long) && $beats->strength($long) >= 0.5);
    }

    /** The second and third of three equal beats: down, up-up. */
    public static function isPair(Event $before, Event $event, Beats $beats): bool
    {
        return $event->start === $before->end()
            && $before->duration() === $event->duration()
            && $beats->strength($before) === 0.25
            && $beats->strength($event) === 0.25
            && $beats->strengthAt($event->end()) >= 1.0;
    }
}
