<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Planning;

use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Bowing\Marks\BowMarks;
use UprightPencil\Core\Bowing\Terms\Way;

/** What the planner proposes for a line. */
final readonly class Plan
{
    /**
     * @param  BowMarks  $marks  the proposed directions and actions, by note id
     * @param  list<PlannedAction>  $actions
     * @param  float  $cost  points
     * @param  list<Way>  $ways  what is done with each stroke
     */
    public function __construct(
        public BowMarks $marks,
        public array $actions,
        public float $cost,
        public array $ways = [],
    ) {}

    /** Only the slurs that it splits or strikes. */
    public function cuts(): self
    {
        $cuts = array_values(array_filter($this->actions, static fn (PlannedAction $action): bool => $action->action === BowAction::Split || $action->action === BowAction::Strike));
        $actions = [];
        foreach ($cuts as $cut) {
            $actions[$cut->note()] = $cut->action;
        }

        return new self(new BowMarks(actions: $actions), $cuts, array_sum(array_map(static fn (PlannedAction $cut): float => $cut->cost, $cuts)));
    }

    /** With what was planned apart from it, which goes before it where both speak of a note. */
    public function with(self $other): self
    {
        $actions = [...$other->actions, ...$this->actions];
        usort($actions, static fn (PlannedAction $a, PlannedAction $b): int => $a->event <=> $b->event);

        return new self($this->marks->and($other->marks), $actions, $this->cost + $other->cost, $this->ways);
    }
}
