<?php

declare(strict_types=1);

namespace App\Views\Shelf;

/** A school that somebody belongs to. */
final readonly class SchoolView
{
    public function __construct(
        public int $id,
        public string $name,
        public bool $administers,
    ) {}
}
