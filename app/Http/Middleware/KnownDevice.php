<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Access\Devices;
use App\Models\User;
use Closure;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/** A browser that was signed out from elsewhere, or was idle for too long, is signed out. */
final class KnownDevice
{
    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        $user = $request->user();
        if ($user instanceof User && ! Devices::goesOn($request, $user)) {
            Auth::guard('web')->logout();
            $request->session()->invalidate();
            // Who only asks whether somebody is signed in is told that nobody is.
            $request->is('api/session') || throw new AuthenticationException;
        }

        return $next($request);
    }
}
