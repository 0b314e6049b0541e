<?php

declare(strict_types=1);

namespace App\Sharing;

use Illuminate\Http\Request;
use Illuminate\Support\Facades\RateLimiter;

/**
 * Guessing is slowed down, and nobody else: a school is one address, and a class opens its links within a minute. So only tokens
 * that lead nowhere are counted, and they never stand in the way of one that does.
 */
final class WrongTokens
{
    private const A_MINUTE = 60;

    public static function count(Request $request): void
    {
        $who = "wrong-token:{$request->ip()}";
        if (RateLimiter::tooManyAttempts($who, self::A_MINUTE)) {
            abort(429, 'That was too often. Wait a minute and try again.', ['Retry-After' => (string) RateLimiter::availableIn($who)]);
        }
        RateLimiter::hit($who);
    }
}
