<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\Event;
use UprightPencil\Core\Score\PlayingOrder;

/**
 * Follows the bow: every stroke gets a direction from the marks and, between them, by alternation, in the order
 * the measures are played. After a rest the bow goes on as it comes unless a mark says otherwise.
 */
final readonly class BowFollower
{
    public function __construct(private PlayingOrder $order) {}

    /**
     * @param  list<Stroke>  $strokes  in written order
     * @param  BowSign  $opening  the direction of the first stroke when no mark gives it one
     */
    public function follow(array $strokes, BowMarks $marks, BowSign $opening): BowedLine
    {
        $byMeasure = self::byMeasure($strokes);
        $played = [];
        $before = null;
        $jumped = false;
        foreach ($this->order->visits as $number => $visit) {
            $jumped = $jumped || $visit->jumped;
            foreach ($byMeasure[$visit->measure] ?? [] as $index) {
                $bowed = $this->bow($strokes[$index], $index, $number, $before, $marks, $opening, $jumped);
                $played[] = $bowed;
                $before = $bowed->direction;
                $jumped = false;
            }
        }

        return new BowedLine($strokes, $played);
    }

    /**
     * @param  list<Stroke>  $strokes
     * @return array<int, list<int>> measure index => stroke indexes that start in it
     */
    private static function byMeasure(array $strokes): array
    {
        $byMeasure = [];
        foreach ($strokes as $index => $stroke) {
            $byMeasure[$stroke->first()->measure][] = $index;
        }

        return $byMeasure;
    }

    private function bow(Stroke $stroke, int $index, int $visit, ?BowSign $before, BowMarks $marks, BowSign $opening, bool $jumped): BowedStroke
    {
        $locked = self::lock($stroke->first(), $marks);
        if ($before === null) {
            return new BowedStroke($index, $visit, $locked ?? $opening, null, null, false, false);
        }
        if ($stroke->hooked) {
            return new BowedStroke($index, $visit, $before, $before, BowAction::Hook, $locked === $before->other(), $jumped);
        }
        $retake = self::action($stroke->first(), $marks) === BowAction::Retake;
        $direction = $locked ?? ($retake ? BowSign::Down : $before->other());
        $same = $direction === $before;
        $air = $retake || $stroke->gap > 0 || $jumped;

        return new BowedStroke($index, $visit, $direction, $before, $same && $air ? BowAction::Retake : null, $same && ! $air, $jumped);
    }

    public static function lock(Event $event, BowMarks $marks): ?BowSign
    {
        foreach ($event->notes as $note) {
            if (isset($marks->directions[$note->id])) {
                return $marks->directions[$note->id];
            }
        }

        return null;
    }

    private static function action(Event $event, BowMarks $marks): ?BowAction
    {
        foreach ($event->notes as $note) {
            if (isset($marks->actions[$note->id])) {
                return $marks->actions[$note->id];
            }
        }

        return null;
    }
}
