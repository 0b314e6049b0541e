<?php

declare(strict_types=1);

namespace App\Views\Account;

/** Who is signed in. */
final readonly class DirectorView
{
    public function __construct(
        public int $id,
        public string $name,
    ) {}
}
