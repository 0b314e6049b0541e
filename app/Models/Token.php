<?php

declare(strict_types=1);

namespace App\Models;

/** What stands in an address that opens something: it cannot be guessed, and only its hash is kept. */
final class Token
{
    /** 144 bits. */
    private const BYTES = 18;

    public static function make(): string
    {
        return rtrim(strtr(base64_encode(random_bytes(self::BYTES)), '+/', '-_'), '=');
    }

    public static function hashOf(string $token): string
    {
        return hash('sha256', $token);
    }
}
