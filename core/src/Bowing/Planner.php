<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Search\ShortestPath;

/**
 * Plans the bow for a line: alternation is free; hooks, retakes, changes, splits, struck slurs and strong beats on an
 * up-bow cost, and the cheapest sum wins. Printed and decided marks are fixed, so that the way to a note that is locked is
 * worked back from it.
 */
final readonly class Planner
{
    /** Points that no other reason outweighs: used where a mark leaves no choice. */
    private const FORBIDDEN = 50.0;

    private const RETAKE_COST = 0.5;

    private const OPENING_UP = 2.5;

    private const HOOKED_TARGET = 1.5;

    public function __construct(
        private BowingSchool $school,
        private Beats $beats,
        private BowNeed $need,
        private WayFinder $ways,
        private float $retakeSeconds,
    ) {}

    /**
     * @param  list<Stroke>  $strokes  in written order
     * @param  BowSign|null  $before  the direction that the line is entered from; null at its start
     * @param  BowSign|null  $after  the direction that follows it, where that is known
     */
    public function plan(array $strokes, BowMarks $marks, ?BowSign $before = null, ?BowSign $after = null): Plan
    {
        $layers = array_map(fn (Stroke $stroke): array => $this->layer($stroke, $marks), $strokes);
        $last = count($strokes) - 1;
        $path = ShortestPath::through(
            $layers,
            fn (Way $way, int $index): float => $way->cost + $this->standing($way, $strokes[$index], $index === $last)
                + ($index === 0 ? $this->starting($way->start, $strokes[0], $before) : 0.0)
                + ($index === $last && $way->end() === $after ? 2 * self::RETAKE_COST : 0.0),
            fn (Way $from, Way $to, int $index): float => $this->moving($from->end(), $to->start, $strokes, $index, $marks),
        );

        return $this->planOf($strokes, $path->states, $path->cost, $marks);
    }

    /** @return non-empty-list<Way> */
    private function layer(Stroke $stroke, BowMarks $marks): array
    {
        $locked = BowFollower::lock($stroke, $marks);
        $decided = false;
        foreach ($stroke->events as $event) {
            $decided = $decided || isset($marks->actions[$event->first()->id]);
        }

        return $this->ways->ways($stroke, $locked === null || $stroke->hooked ? [] : [$locked], $decided);
    }

    private function standing(Way $way, Stroke $stroke, bool $last): float
    {
        $sign = $way->start;
        $cost = $this->against($sign, $stroke, $last);
        foreach ($way->at as $event) {
            $sign = $sign->other();
            $cost += $sign === BowSign::Up && $this->beats->startsMeasure($event) ? $this->school->downbeatCost() : 0.0;
        }

        return $cost;
    }

    /** What an up-bow at the start of a stroke costs, by the strength of its beat. */
    private function against(BowSign $sign, Stroke $stroke, bool $last): float
    {
        $event = $stroke->onBeat();
        if ($sign === BowSign::Down || $stroke->changed) {
            return 0.0;
        }
        $strength = $this->beats->strength($event);
        $cost = $this->school->downbeatCost() * ($strength >= 1.0 ? 1.0 : ($strength >= 0.5 ? 0.2 : 0.0));
        $asksDown = ($strength >= 0.5 && $this->beats->isEntry($stroke)) || ($last && $strength >= 0.5 && $this->beats->isLong($stroke));

        return $cost + ($this->beats->isAccented($event) ? $this->school->accentCost() : 0.0) + ($asksDown ? $this->school->entryCost() : 0.0);
    }

    /** A piece that starts on the beat starts down. */
    private function starting(BowSign $sign, Stroke $stroke, ?BowSign $before): float
    {
        if ($before !== null) {
            return $sign === $before ? self::FORBIDDEN / 2 : 0.0;
        }

        return $sign === BowSign::Up && $this->beats->startsMeasure($stroke->onBeat()) ? self::OPENING_UP : 0.0;
    }

    /** @param list<Stroke> $strokes */
    private function moving(BowSign $from, BowSign $to, array $strokes, int $index, BowMarks $marks): float
    {
        $stroke = $strokes[$index];
        if ($stroke->hooked) {
            return $from === $to ? 0.0 : self::FORBIDDEN;
        }
        if ($stroke->changed) {
            return $from === $to ? self::FORBIDDEN : 0.0;
        }
        $action = $marks->actions[(string) $stroke->id()] ?? null;
        if ($action === BowAction::Retake) {
            return $to === (BowFollower::lock($stroke, $marks) ?? BowSign::Down) ? 0.0 : self::FORBIDDEN;
        }
        if (($marks->actions[(string) $strokes[$index - 1]->id()] ?? null) === BowAction::Stagger) {
            return 0.0;
        }
        if ($from !== $to) {
            return Figures::isMarch($strokes, $index) ? $this->school->marchCost() : 0.0;
        }

        if ($stroke->gap > 0) {
            return $this->retake($stroke);
        }
        // A note that somebody wants down or up is to be reached, not hooked: the change belongs before it.
        $reached = BowFollower::lock($stroke, $marks) !== null && BowFollower::lock($strokes[$index - 1], $marks) === null;

        return $this->hook($strokes, $index) + ($reached ? self::HOOKED_TARGET : 0.0) + ($action === BowAction::Lift ? self::FORBIDDEN : 0.0);
    }

    private function retake(Stroke $stroke): float
    {
        $time = $this->need->gapSeconds($stroke);

        return match (true) {
            $time >= $this->retakeSeconds => self::RETAKE_COST,
            $time >= $this->retakeSeconds / 2 => 3 * self::RETAKE_COST,
            default => 8 * self::RETAKE_COST,
        };
    }

    /** @param list<Stroke> $strokes */
    private function hook(array $strokes, int $index): float
    {
        [$before, $stroke, $next] = [$strokes[$index - 1], $strokes[$index], $strokes[$index + 1] ?? null];
        if (count($before->events) > 1 || count($stroke->events) > 1) {
            return $this->school->hookCost() + 1.5;
        }
        $light = $this->beats->strength($stroke->onBeat()) < 0.5;
        $leads = $next !== null && $this->beats->strength($next->onBeat()) >= 0.25;
        if ($light && $leads && 2 * $stroke->ticks() <= $before->ticks()) {
            return $this->school->shortHookCost();
        }

        return Figures::isPair($before->last(), $stroke->first(), $this->beats)
            ? $this->school->pairCost()
            : $this->school->hookCost() + 0.4 * $this->beats->strength($stroke->onBeat());
    }

    /**
     * @param  list<Stroke>  $strokes
     * @param  list<Way>  $ways
     */
    private function planOf(array $strokes, array $ways, float $cost, BowMarks $marks): Plan
    {
        $directions = $actions = $times = $planned = [];
        foreach ($strokes as $index => $stroke) {
            $way = $ways[$index];
            $id = $stroke->id();
            if ($id === null) {
                continue;
            }
            if ($index === 0) {
                $directions[$id] = $way->start;
            } elseif (($marks->actions[(string) $strokes[$index - 1]->id()] ?? null) === BowAction::Stagger) {
                $directions[$id] = $way->start;
            } elseif ($way->start === $ways[$index - 1]->end() && ! $stroke->hooked && BowFollower::lock($stroke, $marks) === null && ! isset($marks->actions[$id])) {
                $action = $stroke->gap > 0 ? BowAction::Retake : BowAction::Hook;
                $actions[$id] = $action;
                $directions[$id] = $way->start;
                $before = $strokes[$index - 1]->last()->first()->id;
                $planned[] = new PlannedAction($stroke->first()->index, $action, $action === BowAction::Hook ? [$before, $id] : [$id], $this->moving($way->start, $way->start, $strokes, $index, new BowMarks), $way->start);
            }
            if ($way->action === BowAction::Change || $way->action === BowAction::Strike) {
                $actions[$id] = $way->action;
                $times[$id] = $way->turns;
                $planned[] = new PlannedAction($stroke->first()->index, $way->action, [$id], $way->cost, null, $way->turns);
            }
            foreach ($way->at as $event) {
                $actions[$event->first()->id] = BowAction::Split;
                $planned[] = new PlannedAction($event->index, BowAction::Split, [$event->first()->id], $way->cost / count($way->at));
            }
        }

        return new Plan(new BowMarks($directions, $actions, desks: $times), $planned, $cost, $ways);
    }
}
