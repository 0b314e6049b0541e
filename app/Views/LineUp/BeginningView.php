<?php

declare(strict_types=1);

namespace App\Views\LineUp;

/** A passage in the order to teach them. */
final readonly class BeginningView
{
    public function __construct(
        public string $name,
        public string $from,
        public string $to,
        public string $because,
    ) {}
}
