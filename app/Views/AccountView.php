<?php

declare(strict_types=1);

namespace App\Views;

/** A person’s own account. */
final readonly class AccountView
{
    public function __construct(
        public string $name,
        public string $email,
    ) {}
}
