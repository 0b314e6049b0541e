<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\Line;

/** One line followed by its marks and planned, with what the rules say of both. */
final readonly class BowingRun
{
    /**
     * @param  BowedLine  $followed  by printed and decided marks alone
     * @param  BowedLine  $planned  with the plan's marks too
     * @param  list<TravelledStroke>  $followedTravel  in playing order
     * @param  list<TravelledStroke>  $plannedTravel
     * @param  array<string, BowingFinding>  $found  in the followed line, by key
     * @param  array<string, BowingFinding>  $left  in the planned line
     */
    private function __construct(
        public BowedLine $followed,
        public BowedLine $planned,
        public BowMarks $plannedMarks,
        public Plan $plan,
        public array $followedTravel,
        public array $plannedTravel,
        public array $found,
        public array $left,
    ) {}

    /**
     * @param  BowMarks  $fixed  printed and decided
     * @param  BowSign|null  $before  the direction from which the line is entered; null at the start of a part
     */
    public static function of(BowingContext $context, Line $line, BowMarks $fixed, BowFollower $follower, ?BowSign $before = null): self
    {
        $strokes = StrokeReader::read($context->part, $line, $fixed, $context->beats);
        $opening = $before?->other() ?? Opening::of($strokes, $fixed, $context->beats);
        $followed = $follower->follow($strokes, $fixed, $opening);
        $plan = $context->planner->plan($strokes, $fixed, $before);
        [$planned, $marks] = self::settled($context, $line, $follower, $fixed->and($plan->marks), $strokes, $opening);
        $travel = $context->travel->along($followed, $fixed);
        $plannedTravel = $context->travel->along($planned, $marks);
        $directions = $planned->directions();

        return new self($followed, $planned, $marks, $plan, $travel, $plannedTravel,
            Rules::findings(self::case($context, $followed, $fixed, $fixed, $travel, $plan, $directions)),
            Rules::findings(self::case($context, $planned, $marks, $fixed, $plannedTravel, $plan, $directions)),
        );
    }

    /**
     * @param  list<TravelledStroke>  $travel
     * @param  array<int, BowSign>  $planned
     */
    private static function case(BowingContext $context, BowedLine $line, BowMarks $marks, BowMarks $fixed, array $travel, Plan $plan, array $planned): BowingCase
    {
        return new BowingCase($context->part, $context->beats, $line, $marks, $fixed, $context->need, $context->load, $travel, $plan, $planned, $context->retakeSeconds, $context->level);
    }

    /**
     * Follows a plan and, where a repeat or jump would then turn the bow round, takes it back at that place.
     *
     * @param  list<Stroke>  $strokes
     * @return array{BowedLine, BowMarks}
     */
    private static function settled(BowingContext $context, Line $line, BowFollower $follower, BowMarks $marks, array $strokes, BowSign $opening): array
    {
        $strokes = $marks->actions === [] ? $strokes : StrokeReader::read($context->part, $line, $marks, $context->beats);
        for ($round = 0; ; $round++) {
            $bowed = $follower->follow($strokes, $marks, $opening);
            $locks = self::jumpLocks($bowed);
            if ($locks->directions === [] || $round === 4) {
                return [$bowed, $marks];
            }
            $marks = $marks->and($locks);
        }
    }

    private static function jumpLocks(BowedLine $bowed): BowMarks
    {
        $locks = [];
        foreach ($bowed->played as $played) {
            $first = $bowed->firstPass[$played->stroke];
            $id = $bowed->strokes[$played->stroke]->id();
            if ($played->jumped && $id !== null && $first->direction !== $played->direction) {
                $locks[$id] = $first->direction;
            }
        }

        return new BowMarks($locks);
    }
}
