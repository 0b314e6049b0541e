<?php

declare(strict_types=1);

namespace App\Marking;

/** Names the code of the core, so that nothing it worked out is kept longer than the code that did. */
final class CoreCode
{
    /** @var array<string, string> */
    private static array $names = [];

    /** Changes whenever a file in these folders of `core/src`, or in their own folders, does. */
    public static function of(string ...$folders): string
    {
        return self::$names[implode(',', $folders)] ??= self::name($folders);
    }

    /** The whole of it, and what the application tells of it. */
    public static function whole(): string
    {
        return self::$names['*'] ??= self::fresh();
    }

    /** The same, looked at anew. */
    public static function fresh(): string
    {
        clearstatcache();

        return self::digest([...self::files('core/src/{*,*/*,*/*/*}/*.php'), ...self::files('app/{Marking,Record,Views,Workbench}/{*,*/*}.php')]);
    }

    /** @param array<string> $folders */
    private static function name(array $folders): string
    {
        return self::digest(self::files('core/src/{'.implode(',', array_map(static fn (string $folder): string => "{$folder},{$folder}/*", $folders)).'}/*.php'));
    }

    /** @return list<string> */
    private static function files(string $pattern): array
    {
        return glob(base_path($pattern), GLOB_BRACE) ?: [];
    }

    /** @param list<string> $files */
    private static function digest(array $files): string
    {
        return hash('xxh128', implode(' ', [...$files, ...array_map(filesize(...), $files), ...array_map(filemtime(...), $files)]));
    }
}
