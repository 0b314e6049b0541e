<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\PlayingOrder;

/**
 * Follows the bow: every stroke gets a direction from the marks and, between them, by alternation, in the order
 * the measures are played. After a rest the bow goes on as it comes unless a mark says otherwise.
 */
final readonly class BowFollower
{
    /** @param PlayingOrder|null $order null: the strokes as they are written, one after the other */
    public function __construct(private ?PlayingOrder $order = null) {}

    /**
     * @param  list<Stroke>  $strokes  in written order
     * @param  BowSign  $opening  the direction of the first stroke when no mark gives it one
     */
    public function follow(array $strokes, BowMarks $marks, BowSign $opening): BowedLine
    {
        $played = [];
        $before = null;
        $jumped = false;
        foreach ($this->passes($strokes) as $number => [$jumps, $indexes]) {
            $jumped = $jumped || $jumps;
            foreach ($indexes as $index) {
                $bowed = self::bow($strokes[$index], $index, $number, $before, $marks, $opening, $jumped, $strokes[$index - 1] ?? null);
                $played[] = $bowed;
                $before = $bowed->direction;
                $jumped = false;
            }
        }

        return new BowedLine($strokes, $played);
    }

    /**
     * @param  list<Stroke>  $strokes
     * @return list<array{bool, list<int>}> for each measure played: whether it was jumped to, and the strokes that start in it
     */
    private function passes(array $strokes): array
    {
        if ($this->order === null) {
            return [[false, array_keys($strokes)]];
        }
        $byMeasure = [];
        foreach ($strokes as $index => $stroke) {
            $byMeasure[$stroke->first()->measure][] = $index;
        }
        $passes = [];
        foreach ($this->order->visits as $visit) {
            $passes[] = [$visit->jumped, $byMeasure[$visit->measure] ?? []];
        }

        return $passes;
    }

    private static function bow(Stroke $stroke, int $index, int $visit, ?BowSign $before, BowMarks $marks, BowSign $opening, bool $jumped, ?Stroke $held): BowedStroke
    {
        $locked = self::lock($stroke, $marks);
        if ($before === null) {
            return new BowedStroke($index, $visit, $locked ?? $opening, null, null, false, false);
        }
        if ($stroke->changed) {
            return new BowedStroke($index, $visit, $before->other(), $before, BowAction::Change, false, $jumped);
        }
        if ($stroke->hooked) {
            return new BowedStroke($index, $visit, $before, $before, BowAction::Hook, $locked === $before->other(), $jumped);
        }
        $action = $marks->actions[(string) $stroke->id()] ?? null;
        $direction = $locked ?? ($action === BowAction::Retake ? BowSign::Down : $before->other());
        $same = $direction === $before;
        // After a staggered note the players arrive on whatever direction is wanted.
        $afterStagger = $held !== null && ($marks->actions[(string) $held->id()] ?? null) === BowAction::Stagger;
        $air = $action === BowAction::Retake || $stroke->gap > 0 || $jumped || $afterStagger;
        $done = match (true) {
            $same && $afterStagger => null,
            $same && $air => BowAction::Retake,
            $action === BowAction::Split, $action === BowAction::Lift, $action === BowAction::Strike, $action === BowAction::Join => $action,
            default => null,
        };

        return new BowedStroke($index, $visit, $direction, $before, $done, $same && ! $air, $jumped);
    }

    public static function lock(Stroke $stroke, BowMarks $marks): ?BowSign
    {
        if ($stroke->id() === null) {
            return null;
        }
        foreach ($stroke->first()->notes as $note) {
            if (isset($marks->directions[$note->id])) {
                return $marks->directions[$note->id];
            }
        }

        return null;
    }
}
