<?php

declare(strict_types=1);

namespace App\Views\LineUp;

use App\Views\Typed;

/** What would be decided in one part. */
final readonly class PartDecisionsView
{
    /**
     * @param  list<array<string, mixed>>  $decisions
     */
    public function __construct(
        public int $part,
        #[Typed('Decision[]')]
        public array $decisions,
    ) {}
}
