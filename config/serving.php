<?php

declare(strict_types=1);

$list = static fn (string $name): array => array_values(array_filter(array_map(trim(...), explode(',', (string) env($name, '')))));

return [
    // Whether a clock, a queue and a workbench are kept at work beside the web server (bin/install-server).
    'supervised' => (bool) env('SUPERVISED', false),
    // Addresses of proxies in front of us that are believed what they say of a request's address and scheme, with commas.
    'proxies' => $list('TRUSTED_PROXIES'),
    // Where the server is: a school that says nothing else has its days there. Empty: as the machine is set.
    'time_zone' => env('TIME_ZONE') ?: (preg_match('~zoneinfo/(?:posix/)?(.+)$~', (string) @readlink('/etc/localtime'), $zone) === 1 ? $zone[1] : 'UTC'),
    // Names that we answer to besides that of APP_URL, with commas.
    'hosts' => $list('TRUSTED_HOSTS'),
    // Days that it is kept who signed in, invited, handed out and erased; a school may choose fewer.
    'audit_days' => (int) env('AUDIT_DAYS', 365),
    'backups' => [
        // Hour of the night, UTC.
        'at' => env('BACKUP_AT', '02:15'),
        'folder' => env('BACKUPS') ?: dirname(storage_path()).'/backups',
        // Days that a backup is kept: what was erased is forgotten everywhere after that.
        'days' => 30,
    ],
    // What one person may ask for in a minute. Nobody who works with their hands comes near it; a script does.
    'limits' => [
        'decisions' => (int) env('LIMIT_DECISIONS', 1200),
        'trials' => (int) env('LIMIT_TRIALS', 600),
        'imports' => (int) env('LIMIT_IMPORTS', 60),
        // Seconds of the server's work, in a minute: the heaviest imports and trials are told to wait long before they are sixty.
        'seconds' => (int) env('LIMIT_SECONDS', 40),
    ],
];
