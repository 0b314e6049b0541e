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
        $dotted = $value !== null && $value->dots > 0 && $long->duration() === 3 * $short->duration();

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

    /**
     * A long–short pair that comes again right before or after: a rhythm, not a single turn of the tune.
     *
     * @param  list<Stroke>  $strokes
     * @param  int  $short  index of the short stroke
     */
    public static function isMarch(array $strokes, int $short, Beats $beats): bool
    {
        return self::isLoneDottedPair($strokes, $short, $beats)
            && (self::isLoneDottedPair($strokes, $short - 2, $beats) || self::isLoneDottedPair($strokes, $short + 2, $beats));
    }

    /** @param list<Stroke> $strokes */
    private static function isLoneDottedPair(array $strokes, int $short, Beats $beats): bool
    {
        $before = $strokes[$short - 1] ?? null;
        $stroke = $strokes[$short] ?? null;

        return $before !== null && $stroke !== null && count($before->events) === 1 && count($stroke->events) === 1
            && $before->last()->duration() === 3 * $stroke->first()->duration()
            && self::isDottedPair($before->last(), $stroke->first(), $beats);
    }
}
