<?php

// For PHP's own server (bin/serve): the files that a browser may ask for are sent with the headers that every answer has,
// everything else goes to the application.

declare(strict_types=1);

$path = (string) parse_url($_SERVER['REQUEST_URI'] ?? '/', PHP_URL_PATH);
$types = ['js' => 'text/javascript', 'mjs' => 'text/javascript', 'css' => 'text/css', 'wasm' => 'application/wasm', 'ttf' => 'font/ttf', 'woff2' => 'font/woff2', 'svg' => 'image/svg+xml', 'json' => 'application/json'];
$type = $types[pathinfo($path, PATHINFO_EXTENSION)] ?? null;
$real = realpath(__DIR__.$path);
$isBuilt = $real !== false && str_starts_with($real, __DIR__.'/build/assets/');
if ($type !== null && $real !== false && ($isBuilt || dirname($real) === __DIR__) && is_file($real)) {
    foreach (require __DIR__.'/../app/Sharing/headers.php' as $name => $value) {
        header("{$name}: {$value}");
    }
    // What is built has its contents in its name: it never changes, and is fetched once.
    header('Cache-Control: '.($isBuilt ? 'public, max-age=31536000, immutable' : 'no-cache'));
    header("Content-Type: {$type}".(str_starts_with($type, 'text/') ? '; charset=UTF-8' : ''));
    if (is_file("{$real}.gz") && str_contains($_SERVER['HTTP_ACCEPT_ENCODING'] ?? '', 'gzip')) {
        header('Content-Encoding: gzip');
        header('Vary: Accept-Encoding');
        $real .= '.gz';
    }
    header('Content-Length: '.filesize($real));
    readfile($real);

    return true;
}
require __DIR__.'/index.php';
