<?php

declare(strict_types=1);

return [
    'passwords' => [
        'users' => [
            'provider' => 'users',
            'table' => 'password_reset_tokens',
            // Minutes that an address for a new password works: a colleague hands it over within a day.
            'expire' => 24 * 60,
            'throttle' => 60,
        ],
    ],
];
