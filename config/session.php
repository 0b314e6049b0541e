<?php

declare(strict_types=1);

return [
    'driver' => env('SESSION_DRIVER', 'file'),
    'lifetime' => 720,
    'cookie' => 'upright_pencil_session',
    // Where people come over TLS, the cookie never travels without it.
    'secure' => (bool) env('SESSION_SECURE_COOKIE', str_starts_with((string) env('APP_URL', ''), 'https://')),
    'http_only' => true,
    'same_site' => 'lax',
];
