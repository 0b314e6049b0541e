<?php

// Compiled once when the web workers of a release start, and shared by all of them: our own classes, and those of the framework
// that every request needs. A class whose parent is not here is left to be loaded when it is needed.

declare(strict_types=1);

$map = require __DIR__.'/../vendor/composer/autoload_classmap.php';
$ours = '/^(App(?!\\\\Console)|UprightPencil\\\\Core)\\\\/';
$theirs = '/^(Illuminate\\\\(Auth|Bus|Cache|Collections|Config|Container|Contracts|Cookie|Database|Encryption|Events|Filesystem|Foundation|Hashing|Http|Log|Macroable|Pipeline|RateLimiting|Routing|Session|Support|Validation|View)|Symfony\\\\Component\\\\(HttpFoundation|HttpKernel|Routing)|Psr|Carbon)\\\\/';
foreach ($map as $class => $file) {
    if (preg_match($ours, $class) === 1 || (preg_match($theirs, $class) === 1 && preg_match('/Console|Testing|Factories|Seeder/', $class) !== 1)) {
        @opcache_compile_file($file);
    }
}
