<?php

declare(strict_types=1);

return [
    'default' => 'sqlite',
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
    ],
];
