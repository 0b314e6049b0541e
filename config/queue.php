<?php

declare(strict_types=1);

return [
    // What need not be waited for. Without a worker (bin/demo) it is done by a process of its own, beside the answer.
    'default' => env('QUEUE_CONNECTION', 'background'),
    'connections' => [
        'sync' => ['driver' => 'sync'],
        'background' => ['driver' => 'background'],
        'database' => ['driver' => 'database', 'table' => 'jobs', 'queue' => 'default', 'retry_after' => 150],
    ],
    'failed' => ['driver' => 'database-uuids', 'database' => env('DB_CONNECTION', 'sqlite'), 'table' => 'failed_jobs'],
];
