<?php

declare(strict_types=1);

namespace App\Views\Desk;

use App\Views\Typed;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\Fix;

/** One small change that mends a finding. */
final readonly class FixView
{
    /**
     * @param  list<string>  $notes  ids
     * @param  float  $cost  points
     * @param  list<array<string, mixed>>  $decisions
     */
    public function __construct(
        public string $action,
        public array $notes,
        public float $cost,
        #[Typed('Decision[]')]
        public array $decisions,
    ) {}

    public static function of(Fix $fix): self
    {
        return new self($fix->action, $fix->notes, $fix->cost, array_map(static fn (Decision $decision): array => $decision->toArray(), $fix->decisions));
    }
}
