<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Http\Request;
use Illuminate\Session\Middleware\StartSession;

/** A session does not keep where somebody was last: nobody is led back, and an invitation's address is a secret. */
final class Session extends StartSession
{
    protected function storeCurrentUrl(Request $request, $session): void {}
}
