<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

use UprightPencil\Core\Score\BowSign;

/** One change that a plan makes to the print. */
final readonly class PlannedAction
{
    /**
     * @param  int  $event  index of the event that it begins with
     * @param  non-empty-list<string>  $notes  ids; the mark goes on the last
     * @param  float  $cost  points
     * @param  BowSign|null  $sign  the direction it brings about, where that is written with it
     * @param  int  $times  changes on a held note
     */
    public function __construct(
        public int $event,
        public BowAction $action,
        public array $notes,
        public float $cost,
        public ?BowSign $sign = null,
        public int $times = 1,
    ) {}

    /**
     * What has to be decided to have it, in the words of `contract.md`.
     *
     * @return array<string, mixed>
     */
    public function decision(): array
    {
        $note = $this->notes[count($this->notes) - 1];

        return ['note' => $note, 'action' => $this->action->value]
            + ($this->action === BowAction::Retake && $this->sign !== null ? ['direction' => $this->sign->value] : [])
            + ($this->action === BowAction::Change && $this->times > 1 ? ['times' => $this->times] : []);
    }
}
