<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

use UprightPencil\Core\Bowing\Following\BowedLine;
use UprightPencil\Core\Bowing\Following\BowFollower;
use UprightPencil\Core\Bowing\Marks\BowMarks;
use UprightPencil\Core\Bowing\Rules\BowingFinding;
use UprightPencil\Core\Bowing\Strokes\Stroke;
use UprightPencil\Core\Bowing\Strokes\StrokeReader;
use UprightPencil\Core\Bowing\Travel\TravelledStroke;
use UprightPencil\Core\Score\Line;

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
     * @param  list<Stroke>  $strokes  of the line, by the fixed marks
     * @param  BowMarks  $fixed  printed and decided
     * @param  bool  $planning  false: follow the marks only, plan nothing
     */
    public static function of(LineContext $context, Line $line, array $strokes, BowMarks $fixed, bool $planning = true): self
    {
        $run = BowingRun::of($context, $line, $strokes, $fixed, new BowFollower($context->part->time->beats, $context->part->order));
        $travel = $run->travel($planning);

        return new self(
            $planning ? $run->planned : $run->followed,
            $planning ? $run->plannedMarks : $fixed,
            self::firstPass($travel),
            self::lifts($travel),
            self::findings($context, $line, $fixed, $run, $planning),
            $run->plan->cost,
        );
    }

    /**
     * What is left for the director; and, mended, what the plan did.
     *
     * @return list<BowingFinding> in the order of the page
     */
    private static function findings(LineContext $context, Line $line, BowMarks $fixed, BowingRun $run, bool $planning): array
    {
        $all = array_values($run->findings($planning));
        usort($all, static fn (BowingFinding $a, BowingFinding $b): int => $b->severity <=> $a->severity ?: $a->event->index <=> $b->event->index);
        $trial = new FixTrial($context, $line, $fixed, $run, $planning);
        foreach ($all as $number => $finding) {
            $all[$number] = $finding->with($number < self::MOST_TRIALS ? $trial->holding($finding) : []);
        }
        $all = [...$all, ...($planning ? $run->planNotes() : [])];
        usort($all, static fn (BowingFinding $a, BowingFinding $b): int => $a->event->index <=> $b->event->index);

        return $all;
    }

    /** @return array<int, true> events that go on in the stroke of the event before them */
    public function joined(): array
    {
        return StrokeReader::joined(...$this->line->strokes);
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
