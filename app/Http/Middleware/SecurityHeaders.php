<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** What every answer says of itself (`app/Sharing/headers.php`), and what is not kept. */
final class SecurityHeaders
{
    /** @var array<string, string>|null */
    private static ?array $always = null;

    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        // Whoever calls us by a name that is not ours is not answered.
        $request->getHost();
        $response = $next($request);
        $response->headers->add(self::$always ??= require app_path('Sharing/headers.php'));
        if ($request->isSecure()) {
            $response->headers->set('Strict-Transport-Security', 'max-age=31536000');
        }
        // Only the page on which notes are typed may ask to listen.
        $response->headers->set('Permissions-Policy', 'camera=(), microphone='.($request->is('by-hand/*', 'parts/*/notes') ? '(self)' : '()').', geolocation=()');
        // What was handed out has an entity tag: it may be kept, and is asked for each time.
        if ($request->is('api/*') && ! $response->headers->has('ETag')) {
            $response->headers->set('Cache-Control', 'no-store, private');
        }

        return $response;
    }
}
