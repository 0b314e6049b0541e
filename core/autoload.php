<?php

declare(strict_types=1);

// The core runs without Composer, so that `core/bin/pencil` starts fast and needs nothing else.
spl_autoload_register(static function (string $class): void {
    $prefix = 'UprightPencil\\Core\\';
    if (! str_starts_with($class, $prefix)) {
        return;
    }
    $file = __DIR__.'/src/'.strtr(substr($class, strlen($prefix)), '\\', '/').'.php';
    if (is_file($file)) {
        require $file;
    }
});
