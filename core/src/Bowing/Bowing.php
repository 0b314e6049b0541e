<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

use UprightPencil\Core\Score\Line;
use UprightPencil\Core\Score\PlayingOrder;

/** The door to this folder: a line's strokes, directions, way along the bow and findings. */
final readonly class Bowing
{
    /** The bow has been set down elsewhere when it begins this much of it away from where it stopped. */
    private const LIFTED = 0.35;

    /** A part with more findings than this has its fixes worked out for the most serious ones first. */
    private const MOST_TRIALS = 20;

    /**
     * @param  BowedLine  $line  as it is to be played: planned, or only followed
     * @param  BowMarks  $marks  all marks that it follows
     * @param  array<int, TravelledStroke>  $travel  stroke index => its way along the bow on the first pass
     * @param  array<int, true>  $lifts  strokes before which the bow is set down elsewhere, in a rest
     * @param  list<BowingFinding>  $findings
     * @param  float  $cost  points of the plan
     */
    private function __construct(
        public BowedLine $line,
        public BowMarks $marks,
        public array $travel,
        public array $lifts,
        public array $findings,
        public float $cost,
    ) {}

    /**
     * @param  BowMarks  $fixed  printed and decided
     * @param  bool  $planning  false: follow the marks only, plan nothing
     */
    public static function of(BowingContext $context, Line $line, BowMarks $fixed, bool $planning = true): self
    {
        $run = BowingRun::of($context, $line, $fixed, new BowFollower(PlayingOrder::of($context->part)));
        $trial = new FixTrial($context, $line, $fixed, $run, $planning);
        $left = $planning ? $run->findings(true) : [];
        $all = $run->findings(false, ! $planning) + $left;
        uasort($all, static fn (BowingFinding $a, BowingFinding $b): int => $b->severity <=> $a->severity ?: $a->event->index <=> $b->event->index);
        $findings = [];
        foreach ($all as $key => $finding) {
            $mended = $planning && ! isset($left[$key]);
            $fixes = match (true) {
                // What the plan mends is mended by its own actions; they need no second trial.
                $mended && $finding->code === 'downbeat-up' => $finding->fixes,
                count($findings) < self::MOST_TRIALS => $trial->holding($finding),
                default => [],
            };
            $findings[] = $finding->with($fixes, $mended);
        }
        usort($findings, static fn (BowingFinding $a, BowingFinding $b): int => $a->event->index <=> $b->event->index);

        $travel = $run->travel($planning);

        return $planning
            ? new self($run->planned, $run->plannedMarks, self::firstPass($travel), self::lifts($travel), $findings, $run->plan->cost)
            : new self($run->followed, $fixed, self::firstPass($travel), self::lifts($travel), $findings, $run->plan->cost);
    }

    /**
     * @param  list<TravelledStroke>  $travel
     * @return array<int, true> stroke indexes
     */
    private static function lifts(array $travel): array
    {
        $lifts = [];
        foreach ($travel as $number => $travelled) {
            $before = $travel[$number - 1] ?? null;
            if ($before !== null && $travelled->bowed->action === null && ! $travelled->bowed->jumped && abs($travelled->from - $before->to) >= self::LIFTED) {
                $lifts[$travelled->bowed->stroke] = true;
            }
        }

        return $lifts;
    }

    /**
     * @param  list<TravelledStroke>  $travel
     * @return array<int, TravelledStroke>
     */
    private static function firstPass(array $travel): array
    {
        $first = [];
        foreach ($travel as $travelled) {
            $first[$travelled->bowed->stroke] ??= $travelled;
        }

        return $first;
    }
}
