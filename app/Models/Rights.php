<?php

declare(strict_types=1);

namespace App\Models;

/** What may be done with a piece's notation. */
enum Rights: string
{
    case Own = 'own';
    case PublicDomain = 'public-domain';
    case Licensed = 'licensed';
    case PrintedOnly = 'printed-only';

    /** Students may be shown the notation itself, not only what to pencil where. */
    public function showsNotation(): bool
    {
        return $this !== self::PrintedOnly;
    }
}
