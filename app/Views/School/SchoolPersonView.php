<?php

declare(strict_types=1);

namespace App\Views\School;

/** Somebody on a school's staff. */
final readonly class SchoolPersonView
{
    public function __construct(
        public int $id,
        public string $name,
        public string $email,
        public bool $administrator,
    ) {}
}
