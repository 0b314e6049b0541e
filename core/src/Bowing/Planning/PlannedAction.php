<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Planning;

use UprightPencil\Core\Bowing\Marks\Act;
use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Bowing\Marks\BowChange;
use UprightPencil\Core\Bowing\Marks\Turn;
use UprightPencil\Core\Score\BowSign;

/** One change that a plan makes to the print. */
final readonly class PlannedAction
{
    /**
     * @param  int  $event  index of the event that it begins with
     * @param  non-empty-list<string>  $notes  ids; the mark goes on the last
     * @param  float  $cost  points
     * @param  BowSign|null  $sign  the direction it brings about, where that is written with it
     * @param  int|null  $times  changes on a held note
     */
    public function __construct(
        public int $event,
        public BowAction $action,
        public array $notes,
        public float $cost,
        public ?BowSign $sign = null,
        public ?int $times = null,
    ) {}

    /** The note that carries the mark. */
    public function note(): string
    {
        return $this->notes[count($this->notes) - 1];
    }

    /** @return non-empty-list<BowChange> what has to be done to have it */
    public function changes(): array
    {
        $act = Act::at($this->note(), $this->action, $this->action === BowAction::Change && $this->times !== 1 ? $this->times : null);

        return $this->action === BowAction::Retake && $this->sign !== null ? [$act, Turn::to($this->sign, $this->note())] : [$act];
    }
}
