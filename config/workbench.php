<?php

declare(strict_types=1);

return [
    // The socket of the process that keeps parts open between requests; null: everything is worked out where it is asked for.
    'socket' => env('WORKBENCH') ?? (env('SUPERVISED', false) ? storage_path('framework/workbench-'.basename(base_path()).'.sock') : null),
];
