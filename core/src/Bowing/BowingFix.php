<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

use UprightPencil\Core\Score\BowSign;

/** One small change that mends a finding. */
final readonly class BowingFix
{
    /**
     * @param  string  $action  hook, retake, alternate or start
     * @param  non-empty-list<string>  $notes  ids; the mark goes on the last
     * @param  BowSign|null  $direction  when the fix is a direction sign
     * @param  float  $cost  points
     */
    public function __construct(
        public string $action,
        public array $notes,
        public ?BowSign $direction,
        public float $cost,
    ) {}

    /** @return array{action: string, notes: list<string>, cost: float, decisions: list<array<string, string>>} */
    public function toArray(): array
    {
        $note = $this->notes[count($this->notes) - 1];
        $what = $this->direction === null ? ['action' => $this->action] : ['direction' => $this->direction->value];

        return ['action' => $this->action, 'notes' => $this->notes, 'cost' => round($this->cost, 2), 'decisions' => [['note' => $note] + $what]];
    }
}
