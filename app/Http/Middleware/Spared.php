<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\RateLimiter;
use Symfony\Component\HttpFoundation\Response;

/**
 * The server's time is shared: what one person may have of it in a minute is counted in time, not in requests, since one import
 * may cost as much as a hundred others. Decisions are not counted here; they are never refused for what else was asked.
 */
final class Spared
{
    private const MINUTE = 60;

    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        $who = 'time:'.($request->user()?->getAuthIdentifier() ?? $request->ip());
        if (RateLimiter::tooManyAttempts($who, (int) (1000 * (float) config('serving.limits.seconds')))) {
            $wait = RateLimiter::availableIn($who);
            abort(429, "That was a lot of work at once. It goes on in {$wait} seconds.", ['Retry-After' => (string) $wait]);
        }
        $begun = hrtime(true);
        try {
            return $next($request);
        } finally {
            RateLimiter::increment($who, self::MINUTE, max(1, intdiv(hrtime(true) - $begun, 1_000_000)));
        }
    }
}
