<?php

declare(strict_types=1);

namespace App\Marking;

use Illuminate\Support\Facades\Cache;

/** What was worked out before and kept to save time. All of it can be worked out anew. */
final class Cached
{
    /** What was kept under a name; null when it is lost or cannot be woken up. */
    public static function get(string $slot): mixed
    {
        try {
            return Cache::get($slot);
        } catch (\Throwable) {
            return null;
        }
    }
}
