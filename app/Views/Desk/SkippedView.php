<?php

declare(strict_types=1);

namespace App\Views\Desk;

/** An entry of a record that today's code does not understand, or that names nothing in the part: it is kept and counts for nothing. */
final readonly class SkippedView
{
    public function __construct(
        public string $why,
    ) {}
}
