<?php

// For PHP's own server (bin/serve): files that exist are sent as they are, everything else goes to the application.

declare(strict_types=1);

$path = (string) parse_url($_SERVER['REQUEST_URI'] ?? '/', PHP_URL_PATH);
if ($path !== '/' && $path !== '/router.php' && $path !== '/index.php' && is_file(__DIR__.$path)) {
    return false;
}
require __DIR__.'/index.php';
