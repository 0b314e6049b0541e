<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

use UprightPencil\Core\Score\Line;
use UprightPencil\Core\Score\PlayingOrder;

/** The door to this folder: a line's strokes, directions, way along the bow and findings. */
final readonly class Bowing
{
    /**
     * @param  BowedLine  $line  as it is to be played: planned, or only followed
     * @param  BowMarks  $marks  all marks that it follows
     * @param  array<int, TravelledStroke>  $travel  stroke index => its way along the bow on the first pass
     * @param  list<BowingFinding>  $findings
     * @param  float  $cost  points of the plan
     */
    private function __construct(
        public BowedLine $line,
        public BowMarks $marks,
        public array $travel,
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
        $trial = new FixTrial($context, $line, $fixed, $run->followed);
        $findings = [];
        foreach ($run->found + ($planning ? $run->left : []) as $key => $finding) {
            $mended = $planning && ! isset($run->left[$key]);
            // What the plan mends is mended by its own actions; they need no second trial.
            $findings[] = $finding->with($mended && $finding->code === 'downbeat-up' ? $finding->fixes : $trial->holding($finding, $planning), $mended);
        }
        usort($findings, static fn (BowingFinding $a, BowingFinding $b): int => $a->event->index <=> $b->event->index);

        return $planning
            ? new self($run->planned, $run->plannedMarks, self::firstPass($run->plannedTravel), $findings, $run->plan->cost)
            : new self($run->followed, $fixed, self::firstPass($run->followedTravel), $findings, $run->plan->cost);
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
