<?php

declare(strict_types=1);

namespace App\Views\Account;

/** An address that is shown this once. */
final readonly class AddressView
{
    public function __construct(
        public string $address,
    ) {}
}
