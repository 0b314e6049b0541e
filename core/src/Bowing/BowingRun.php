<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

use UprightPencil\Core\Bowing\Following\BowedLine;
use UprightPencil\Core\Bowing\Following\BowFollower;
use UprightPencil\Core\Bowing\Marks\BowMarks;
use UprightPencil\Core\Bowing\Planning\Plan;
use UprightPencil\Core\Bowing\Rules\BowingCase;
use UprightPencil\Core\Bowing\Rules\BowingFinding;
use UprightPencil\Core\Bowing\Rules\PlanNotes;
use UprightPencil\Core\Bowing\Rules\Rules;
use UprightPencil\Core\Bowing\Strokes\Stroke;
use UprightPencil\Core\Bowing\Travel\TravelledStroke;
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
        private readonly LineContext $context,
        private readonly BowMarks $fixed,
        private readonly Entry $entry,
        public readonly BowedLine $followed,
        public readonly BowedLine $planned,
        public readonly BowMarks $plannedMarks,
        public readonly Plan $plan,
    ) {}

    /**
     * @param  Line  $line  a whole line or a stretch of it
     * @param  list<Stroke>  $strokes  of the line, by the fixed marks
     * @param  BowMarks  $fixed  printed and decided
     */
    public static function of(LineContext $context, Line $line, array $strokes, BowMarks $fixed, BowFollower $follower, Entry $entry = new Entry): self
    {
        $followed = $follower->follow($strokes, $fixed, $entry->direction);
        $plan = self::planned($context, $line, $strokes, $fixed, $entry);
        $marks = $fixed->and($plan->marks);
        $again = $plan->actions === [] ? $strokes : $context->part->strokes($line, $context->reading, $marks);
        [$planned, $marks] = self::settled($again, $follower, $marks, $entry->direction);

        return new self($context, $fixed, $entry, $followed, $planned, $marks, $plan);
    }

    /**
     * Where slurs are cut there are other strokes, and other figures among them, so they are planned once more.
     *
     * @param  list<Stroke>  $strokes
     */
    private static function planned(LineContext $context, Line $line, array $strokes, BowMarks $fixed, Entry $entry): Plan
    {
        $plan = $context->planner->plan($strokes, $fixed, $entry->direction, $entry->ends);
        $cuts = $plan->cuts();
        if ($cuts->actions === []) {
            return $plan;
        }
        $marks = $fixed->and($cuts->marks);

        return $context->planner->plan($context->part->strokes($line, $context->reading, $marks), $marks, $entry->direction, $entry->ends)->with($cuts);
    }

    /** @return list<TravelledStroke> in playing order */
    public function travel(bool $planned): array
    {
        if ($planned && ! $this->isSame()) {
            return $this->plannedTravel ??= $this->context->travel->along($this->planned, $this->plannedMarks, $this->entry->place);
        }

        return $this->followedTravel ??= $this->context->travel->along($this->followed, $this->fixed, $this->entry->place);
    }

    /**
     * @param  bool  $alongTheBow  false: only the rules that ask for directions, which is faster
     * @return array<string, BowingFinding> by key, in the order of the page
     */
    public function findings(bool $planned, bool $alongTheBow = true): array
    {
        return Rules::findings($this->case($planned, $alongTheBow), $alongTheBow);
    }

    /** @return list<BowingFinding> what the plan did, and why */
    public function planNotes(): array
    {
        return PlanNotes::of($this->case(true, false));
    }

    private function case(bool $planned, bool $alongTheBow): BowingCase
    {
        $part = $this->context->part;

        return new BowingCase(
            $part->part,
            $part->jumps,
            $part->time,
            $this->context->reading->slurs,
            $this->context->load,
            $planned ? $this->planned : $this->followed,
            $planned ? $this->plannedMarks : $this->fixed,
            $this->fixed,
            $alongTheBow ? $this->travel($planned) : [],
            $this->plan,
            $this->planned->directions(),
            $this->context->circle,
            $part->profile->level,
        );
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
    private static function settled(array $strokes, BowFollower $follower, BowMarks $marks, ?BowSign $before): array
    {
        for ($round = 0; ; $round++) {
            $bowed = $follower->follow($strokes, $marks, $before);
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
