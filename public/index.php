<?php

declare(strict_types=1);

use Illuminate\Http\Request;

define('LARAVEL_START', microtime(true));

// What a whole class opens at once is answered before anything else is loaded.
if (str_starts_with($_SERVER['REQUEST_URI'] ?? '', '/api/shared/') && require __DIR__.'/../app/Sharing/door.php') {
    return;
}

require __DIR__.'/../vendor/autoload.php';

(require_once __DIR__.'/../bootstrap/app.php')->handleRequest(Request::capture());
