<?php

declare(strict_types=1);

namespace App\Views\Desk;

use App\Views\Typed;

/** One version of a span. */
final readonly class VersionView
{
    /**
     * @param  list<array<string, mixed>>  $decisions  what takes it
     */
    public function __construct(
        public string $name,
        #[Typed('Decision[]')]
        public array $decisions,
    ) {}
}
