<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Following;

use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Bowing\Marks\BowMarks;
use UprightPencil\Core\Bowing\Strokes\Stroke;
use UprightPencil\Core\Score\Beats;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\PlayingOrder;

/**
 * Follows the bow: every stroke gets a direction from the marks and, between them, by alternation, in the order
 * the measures are played. After a short rest the bow goes on as it comes unless a mark says otherwise; after a measure of
 * silence it starts afresh.
 */
final readonly class BowFollower
{
    /** @param PlayingOrder|null $order null: the strokes as they are written, one after the other */
    public function __construct(
        private Beats $beats,
        private ?PlayingOrder $order = null,
    ) {}

    /**
     * @param  list<Stroke>  $strokes  in written order
     * @param  BowSign|null  $before  the direction from which they are entered; null at the start of a part
     */
    public function follow(array $strokes, BowMarks $marks, ?BowSign $before = null): BowedLine
    {
        $openings = $this->openings($strokes, $marks, $before);
        $played = [];
        $jumped = false;
        foreach ($this->passes($strokes) as $number => [$jumps, $indexes]) {
            $jumped = $jumped || $jumps;
            foreach ($indexes as $index) {
                $bowed = self::bow($strokes, $index, $number, $before, $marks, $openings[$index] ?? null, $jumped);
                $played[] = $bowed;
                $before = $bowed->direction;
                $jumped = false;
            }
        }

        return new BowedLine($strokes, $played);
    }

    /**
     * @param  list<Stroke>  $strokes
     * @return array<int, BowSign> strokes with which the bow starts anew => the direction in which it does, unless a mark says otherwise
     */
    private function openings(array $strokes, BowMarks $marks, ?BowSign $before): array
    {
        $openings = [];
        foreach ($strokes as $index => $stroke) {
            if (($index === 0 && $before === null) || Opening::isFresh($stroke, $this->beats)) {
                $openings[$index] = Opening::of(array_slice($strokes, $index, Opening::LOOK_AHEAD), $marks, $this->beats);
            }
        }

        return $openings;
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

    /** @param list<Stroke> $strokes */
    private static function bow(array $strokes, int $index, int $visit, ?BowSign $before, BowMarks $marks, ?BowSign $opening, bool $jumped): BowedStroke
    {
        $stroke = $strokes[$index];
        $locked = self::lock($stroke, $marks);
        if ($opening !== null && ! $jumped) {
            $retaken = self::action($stroke, $marks) === BowAction::Retake;

            return new BowedStroke($index, $visit, $locked ?? ($retaken ? BowSign::Down : $opening), $before, $retaken ? BowAction::Retake : null, false, false, $before !== null);
        }
        $before ??= BowSign::Up;
        if ($stroke->continues) {
            return new BowedStroke($index, $visit, $before, $before, null, false, $jumped);
        }
        if ($stroke->changed) {
            return new BowedStroke($index, $visit, $before->other(), $before, BowAction::Change, false, $jumped);
        }
        if ($stroke->hooked) {
            return new BowedStroke($index, $visit, $before, $before, BowAction::Hook, $locked === $before->other(), $jumped);
        }

        return self::bowOn($strokes, $index, $visit, $before, $marks, $locked, $jumped);
    }

    /**
     * A stroke of its own that comes after another.
     *
     * @param  list<Stroke>  $strokes
     */
    private static function bowOn(array $strokes, int $index, int $visit, BowSign $before, BowMarks $marks, ?BowSign $locked, bool $jumped): BowedStroke
    {
        $stroke = $strokes[$index];
        $action = self::action($stroke, $marks);
        $direction = $locked ?? ($action === BowAction::Retake ? BowSign::Down : $before->other());
        $same = $direction === $before;
        // After a staggered note the players arrive on whatever direction is wanted.
        $afterStagger = isset($strokes[$index - 1]) && self::action($strokes[$index - 1], $marks) === BowAction::Stagger;
        $air = $action === BowAction::Retake || $stroke->gap > 0 || $jumped || $afterStagger;
        $done = match (true) {
            $same && $afterStagger => null,
            // A retake that somebody marked is made, also where the bow would come right without it.
            $action === BowAction::Retake, $same && $air => BowAction::Retake,
            $action === BowAction::Split, $action === BowAction::Lift, $action === BowAction::Strike, $action === BowAction::Join => $action,
            default => null,
        };

        return new BowedStroke($index, $visit, $direction, $before, $done, $same && ! $air, $jumped);
    }

    public static function lock(Stroke $stroke, BowMarks $marks): ?BowSign
    {
        foreach ($marks->directions === [] ? [] : $stroke->ids() as $id) {
            if (isset($marks->directions[$id])) {
                return $marks->directions[$id];
            }
        }

        return null;
    }

    public static function action(Stroke $stroke, BowMarks $marks): ?BowAction
    {
        foreach ($marks->actions === [] ? [] : $stroke->ids() as $id) {
            if (isset($marks->actions[$id])) {
                return $marks->actions[$id];
            }
        }

        return null;
    }
}
