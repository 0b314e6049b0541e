<?php

declare(strict_types=1);

// Nothing is kept in files; in particular the framework's file-serving routes stay off.
return [
    'default' => 'local',
    'disks' => ['local' => ['driver' => 'local', 'root' => storage_path('app'), 'serve' => false]],
];
