<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\Line;

/** One line bowed by its marks alone and by a plan, and what the rules say of either. */
final class BowingRun
{
    /** @var list<TravelledStroke>|null */
    private ?array $followedTravel = null;

    /** @var list<TravelledStroke>|null */
    private ?array $plannedTravel = null;

    /**
     * @param  BowMarks  $fixed  printed and decided
     * @param  BowedLine  $followed  by these alone
     * @param  BowedLine  $planned  with the plan's marks too
     */
    private function __construct(
        private readonly BowingContext $context,
        private readonly BowMarks $fixed,
        public readonly BowedLine $followed,
        public readonly BowedLine $planned,
        public readonly BowMarks $plannedMarks,
        public readonly Plan $plan,
    ) {}

    /** @param  BowSign|null  $before  the direction from which the line is entered; null at the start of a part */
    public static function of(BowingContext $context, Line $line, BowMarks $fixed, BowFollower $follower, ?BowSign $before = null): self
    {
        $strokes = StrokeReader::read($context, $line, $fixed);
        $opening = $before?->other() ?? Opening::of($strokes, $fixed, $context->beats);
        $followed = $follower->follow($strokes, $fixed, $opening);
        $plan = (new EndingsPlan($context->planner, $context->jumps))->plan($strokes, $fixed, $before);
        [$planned, $marks] = self::settled($context, $line, $follower, $fixed->and($plan->marks), $strokes, $opening);

        return new self($context, $fixed, $followed, $planned, $marks, $plan);
    }

    /** @return list<TravelledStroke> in playing order */
    public function travel(bool $planned): array
    {
        if ($planned && ! $this->isSame()) {
            return $this->plannedTravel ??= $this->context->travel->along($this->planned, $this->plannedMarks);
        }

        return $this->followedTravel ??= $this->context->travel->along($this->followed, $this->fixed);
    }

    /**
     * @param  bool  $alongTheBow  false: only the rules that ask for directions, which is faster
     * @return array<string, BowingFinding> by key, in the order of the page
     */
    public function findings(bool $planned, bool $alongTheBow = true): array
    {
        $c = $this->context;
        $line = $planned ? $this->planned : $this->followed;
        $marks = $planned ? $this->plannedMarks : $this->fixed;

        return Rules::findings(new BowingCase($c->part, $c->beats, $line, $marks, $this->fixed, $c->need, $c->load, $c->changes, $alongTheBow ? $this->travel($planned) : [], $this->plan, $this->planned->directions(), $c->retakeSeconds, $c->level));
    }

    /** The plan proposes nothing: both lines are the same. */
    private function isSame(): bool
    {
        return $this->plan->actions === [] && $this->planned->directions() === $this->followed->directions();
    }

    /**
     * Follows a plan and, where a repeat or jump would then turn the bow round, takes it back at that place.
     *
     * @param  list<Stroke>  $strokes
     * @return array{BowedLine, BowMarks}
     */
    private static function settled(BowingContext $context, Line $line, BowFollower $follower, BowMarks $marks, array $strokes, BowSign $opening): array
    {
        $strokes = $marks->actions === [] ? $strokes : StrokeReader::read($context, $line, $marks);
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
