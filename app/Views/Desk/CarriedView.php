<?php

declare(strict_types=1);

namespace App\Views\Desk;

use App\Views\Typed;

/** What is decided in some measures, carried to others. */
final readonly class CarriedView
{
    /**
     * @param  list<array<string, mixed>>  $decisions
     * @param  list<string>  $misfits  what does not fit, as sentences
     */
    public function __construct(
        #[Typed('Decision[]')]
        public array $decisions,
        public array $misfits,
    ) {}
}
