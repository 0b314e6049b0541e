<?php

declare(strict_types=1);

namespace App\Views\Desk;

/** A part by its name. */
final readonly class PartName
{
    public function __construct(
        public int $id,
        public string $name,
    ) {}
}
