<?php

declare(strict_types=1);

namespace App\Views\Desk;

use App\Views\Typed;

/** A new question, or another version of one, as it goes into the record. */
final readonly class AskedVersionsView
{
    /**
     * @param  list<array<string, mixed>>  $decisions
     */
    public function __construct(
        #[Typed('Decision[]')]
        public array $decisions,
    ) {}
}
