<?php

declare(strict_types=1);

namespace App\Views\Account;

/** A secret on its way to somebody's telephone. */
final readonly class SecretView
{
    /**
     * @param  string  $address  what the QR code holds
     */
    public function __construct(
        public string $secret,
        public string $address,
    ) {}
}
