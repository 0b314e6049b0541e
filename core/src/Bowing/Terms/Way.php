<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Terms;

use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\Event;

/** A state of the planner: the direction in which a printed stroke begins, and what is done with it. */
final readonly class Way
{
    /**
     * @param  int  $turns  changes of direction inside it
     * @param  BowAction|null  $action  split, strike or change; null: played as printed
     * @param  list<Event>  $at  the events that a split begins anew
     * @param  int  $needed  changes that the note needs so that nobody runs out of bow
     */
    public function __construct(
        public BowSign $start,
        public int $turns = 0,
        public ?BowAction $action = null,
        public array $at = [],
        public int $needed = 0,
    ) {}

    public function end(): BowSign
    {
        return $this->turns % 2 === 0 ? $this->start : $this->start->other();
    }

    /** Its first note carries what is done. */
    public function isMarkedAtItsStart(): bool
    {
        return $this->action === BowAction::Change || $this->action === BowAction::Strike;
    }

    public function from(BowSign $start): self
    {
        return new self($start, $this->turns, $this->action, $this->at, $this->needed);
    }
}
