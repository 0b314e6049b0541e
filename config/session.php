<?php

declare(strict_types=1);

return [
    'driver' => env('SESSION_DRIVER', 'file'),
    'lifetime' => 720,
    'cookie' => 'upright_pencil_session',
    'http_only' => true,
    'same_site' => 'lax',
];
