<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\TempoMap;
use UprightPencil\Core\Search\ShortestPath;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;

/**
 * Finds the cheapest directions for a line: alternation is free, hooks and retakes cost, and so does a strong beat
 * on an up-bow. Printed and decided marks are fixed.
 */
final readonly class Planner
{
    /** Points that no other reason outweighs: used where a mark leaves no choice. */
    private const FORBIDDEN = 50.0;

    private const RETAKE_COST = 0.5;

    private const OPENING_UP = 1.5;

    private float $retakeSeconds;

    public function __construct(
        private BowingSchool $school,
        private Beats $beats,
        private TempoMap $tempo,
        ClassProfile $profile,
        Instrument $instrument,
    ) {
        $this->retakeSeconds = $profile->retakeSeconds($instrument);
    }

    /** @param list<Stroke> $strokes in written order */
    public function plan(array $strokes, BowMarks $marks): Plan
    {
        $layers = array_map(static function (Stroke $stroke) use ($marks): array {
            $locked = BowFollower::lock($stroke->first(), $marks);

            return $locked === null || $stroke->hooked ? BowSign::cases() : [$locked];
        }, $strokes);
        $path = ShortestPath::through(
            $layers,
            fn (BowSign $sign, int $index): float => $this->standing($sign, $strokes[$index], $index === count($strokes) - 1)
                + ($index === 0 ? $this->starting($sign, $strokes[0]) : 0.0),
            fn (BowSign $from, BowSign $to, int $index): float => $this->moving($from, $to, $strokes, $index, $marks),
        );

        return $this->planOf($strokes, $path->states, $path->cost, $marks);
    }

    private function standing(BowSign $sign, Stroke $stroke, bool $last): float
    {
        if ($sign === BowSign::Down) {
            return 0.0;
        }
        $event = $stroke->onBeat();
        $strength = $this->beats->strength($event);
        $cost = $this->school->downbeatCost() * ($strength >= 1.0 ? 1.0 : ($strength >= 0.5 ? 0.2 : 0.0));
        $asksDown = $this->beats->isAccented($event)
            || ($strength >= 0.5 && ($this->beats->isEntry($stroke) || ($last && $this->beats->isLong($stroke))));

        return $cost + ($asksDown ? $this->school->entryCost() : 0.0);
    }

    /** A piece that starts on the beat starts down. */
    private function starting(BowSign $sign, Stroke $stroke): float
    {
        return $sign === BowSign::Up && $this->beats->startsMeasure($stroke->onBeat()) ? self::OPENING_UP : 0.0;
    }

    /** @param list<Stroke> $strokes */
    private function moving(BowSign $from, BowSign $to, array $strokes, int $index, BowMarks $marks): float
    {
        $stroke = $strokes[$index];
        if ($stroke->hooked) {
            return $from === $to ? 0.0 : self::FORBIDDEN;
        }
        $action = $marks->actions[$stroke->first()->first()->id] ?? null;
        if ($action === BowAction::Retake) {
            return $to === (BowFollower::lock($stroke->first(), $marks) ?? BowSign::Down) ? 0.0 : self::FORBIDDEN;
        }
        if ($from !== $to) {
            return 0.0;
        }

        return $stroke->gap > 0 ? $this->retake($stroke) : $this->hook($strokes[$index - 1], $stroke, $strokes[$index + 1] ?? null);
    }

    private function retake(Stroke $stroke): float
    {
        $time = $this->tempo->seconds($stroke->gap, $stroke->first()->start);

        return match (true) {
            $time >= $this->retakeSeconds => self::RETAKE_COST,
            $time >= $this->retakeSeconds / 2 => 3 * self::RETAKE_COST,
            default => 8 * self::RETAKE_COST,
        };
    }

    private function hook(Stroke $before, Stroke $stroke, ?Stroke $next): float
    {
        if (count($before->events) > 1 || count($stroke->events) > 1) {
            return $this->school->hookCost() + 1.5;
        }
        $light = $this->beats->strength($stroke->onBeat()) < 0.5;
        $leads = $next !== null && $this->beats->strength($next->onBeat()) >= 0.5;
        if ($light && $leads && 2 * $stroke->ticks() <= $before->ticks()) {
            return $this->school->shortHookCost();
        }
        $leadsMeasure = $next !== null && $this->beats->startsMeasure($next->onBeat());

        return $light && $leadsMeasure && $before->ticks() === $stroke->ticks() ? $this->school->pairCost() : $this->school->hookCost();
    }

    /**
     * @param  list<Stroke>  $strokes
     * @param  list<BowSign>  $signs
     */
    private function planOf(array $strokes, array $signs, float $cost, BowMarks $marks): Plan
    {
        $directions = $actions = $planned = [];
        foreach ($strokes as $index => $stroke) {
            $id = $stroke->first()->first()->id;
            if ($index === 0) {
                $directions[$id] = $signs[0];
            } elseif ($signs[$index] === $signs[$index - 1] && ! $stroke->hooked && BowFollower::lock($stroke->first(), $marks) === null && ! isset($marks->actions[$id])) {
                $action = $stroke->gap > 0 ? BowAction::Retake : BowAction::Hook;
                $actions[$id] = $action;
                $directions[$id] = $signs[$index];
                $planned[] = new PlannedAction($index, $action, $this->moving($signs[$index], $signs[$index], $strokes, $index, new BowMarks));
            }
        }

        return new Plan(new BowMarks($directions, $actions), $planned, $cost);
    }
}
