<?php

declare(strict_types=1);

return [
    // SQLite is what the product is shipped with. An operator who outgrows one file says pgsql (docs/running.md).
    'default' => env('DB_CONNECTION', 'sqlite'),
    'connections' => [
        'sqlite' => [
            'driver' => 'sqlite',
            'database' => env('DB_DATABASE', database_path('pencil.sqlite')),
            'prefix' => '',
            'foreign_key_constraints' => true,
            // Readers and a writer at once; a second writer waits instead of failing.
            'journal_mode' => 'WAL',
            'busy_timeout' => 5000,
            // A decision that was acknowledged survives a power cut.
            'synchronous' => 'FULL',
        ],
        'pgsql' => [
            'driver' => 'pgsql',
            'host' => env('DB_HOST', '/var/run/postgresql'),
            'port' => env('DB_PORT', '5432'),
            'database' => env('DB_DATABASE', 'pencil'),
            'username' => env('DB_USERNAME', 'pencil'),
            'password' => env('DB_PASSWORD', ''),
            'charset' => 'utf8',
            'prefix' => '',
            'search_path' => 'public',
            'sslmode' => 'prefer',
        ],
    ],
    // Where several hosts share sessions, limits and cache (SESSION_DRIVER=redis, CACHE_STORE=redis).
    'redis' => [
        'client' => 'phpredis',
        'default' => ['host' => env('REDIS_HOST', '127.0.0.1'), 'port' => env('REDIS_PORT', '6379'), 'password' => env('REDIS_PASSWORD'), 'database' => env('REDIS_DB', '0')],
        'cache' => ['host' => env('REDIS_HOST', '127.0.0.1'), 'port' => env('REDIS_PORT', '6379'), 'password' => env('REDIS_PASSWORD'), 'database' => env('REDIS_CACHE_DB', '1')],
    ],
];
