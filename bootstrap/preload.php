<?php

// Compiled once when the web workers of a release start, and shared by all of them: the classes that an ordinary request needs, as
// `deploy/list-preloaded` found them. A class whose parent is not among them is left to be loaded when it is needed.

declare(strict_types=1);

foreach (@file(__DIR__.'/cache/preload.txt', FILE_IGNORE_NEW_LINES) ?: [] as $file) {
    @opcache_compile_file(dirname(__DIR__)."/{$file}");
}
