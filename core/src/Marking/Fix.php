<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Bowing\Rules\BowingFix;
use UprightPencil\Core\Marking\Kinds\Kinds;

/** One small change that mends a finding, as decisions. */
final readonly class Fix
{
    /**
     * @param  list<string>  $notes  ids of the notes that it is about
     * @param  float  $cost  points
     * @param  list<Decision>  $decisions
     */
    private function __construct(
        public string $action,
        public array $notes,
        public float $cost,
        public array $decisions,
    ) {}

    public static function of(BowingFix $fix): self
    {
        return new self($fix->name, $fix->notes, round($fix->cost, 2), Kinds::decisions($fix->changes));
    }

    /** @return array{action: string, notes: list<string>, cost: float, decisions: list<array<string, mixed>>} */
    public function toArray(): array
    {
        return [
            'action' => $this->action,
            'notes' => $this->notes,
            'cost' => $this->cost,
            'decisions' => array_map(static fn (Decision $decision): array => $decision->toArray(), $this->decisions),
        ];
    }
}
