<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The layout of the house: dependencies point one way, and the core knows nothing of web, clock or database. */
final class HouseTest extends TestCase
{
    /** Each folder of the core and what it may use besides itself. */
    private const MAY_USE = [
        'Score' => [],
        'Search' => [],
        'Format' => ['Score'],
        'Strings' => ['Score'],
        'Bowing' => ['Score', 'Search', 'Strings'],
        'Fingering' => ['Score', 'Search', 'Strings'],
        'Marking' => ['Score', 'Format', 'Strings', 'Bowing', 'Fingering'],
        'Ensemble' => ['Score', 'Format', 'Strings', 'Marking'],
        'Teaching' => ['Score', 'Format', 'Strings', 'Bowing', 'Fingering', 'Marking', 'Ensemble'],
        'Cli' => ['Score', 'Format', 'Strings', 'Bowing', 'Fingering', 'Marking', 'Ensemble', 'Teaching'],
    ];

    #[DataProvider('files')]
    public function test_a_file_uses_only_what_lies_below_it(string $file, string $folder): void
    {
        self::assertArrayHasKey($folder, self::MAY_USE);
        preg_match_all('/UprightPencil\\\\Core\\\\(\w+)/', (string) file_get_contents($file), $found);

        self::assertSame([], array_values(array_diff(array_unique($found[1]), [$folder, ...self::MAY_USE[$folder]])), $file);
    }

    /** The inner rooms of a folder, in the order of the way through it; a file in none of them is a door and may use all. */
    private const INNER_ROOMS = [
        'Bowing' => ['Marks', 'Strokes', 'Following', 'Travel', 'Terms', 'Planning', 'Rules'],
        'Fingering' => ['Grips', 'Line', 'Terms', 'Search', 'Writing', 'Trouble'],
    ];

    #[DataProvider('files')]
    public function test_no_inner_room_looks_back(string $file, string $folder): void
    {
        $rooms = self::INNER_ROOMS[$folder] ?? [];
        $room = basename(dirname($file));
        $place = array_search($room, $rooms, true);
        preg_match_all('/UprightPencil\\\\Core\\\\'.$folder.'\\\\(\w+)/', (string) preg_replace('/^namespace .*$/m', '', (string) file_get_contents($file)), $found);
        $ahead = $place === false ? [] : array_diff(array_unique($found[1]), array_slice($rooms, 0, $place + 1));

        self::assertTrue($rooms === [] || $place !== false || $room === $folder, "The folder {$room} stands in no list of rooms.");
        self::assertSame([], array_values($ahead), $file);
    }

    #[DataProvider('files')]
    public function test_the_core_stands_alone(string $file): void
    {
        $code = (string) file_get_contents($file);

        self::assertStringContainsString('declare(strict_types=1);', $code);
        self::assertSame(0, preg_match('/Illuminate\\\\|\$GLOBALS|\$_(GET|POST|SERVER|ENV|SESSION)|\bglobal \$|(?<![>:\w] |[>:\w$])\b(time|date|microtime|rand|mt_rand)\(|new \\\\PDO|getenv\(/', (string) preg_replace('/function \w+\(/', '', $code)), $file);
    }

    /** @return iterable<string, array{string, string}> */
    public static function files(): iterable
    {
        $source = dirname(__DIR__).'/src';
        /** @var \SplFileInfo $file */
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($source, \FilesystemIterator::SKIP_DOTS)) as $file) {
            $inside = substr($file->getPathname(), strlen($source) + 1);
            yield $inside => [$file->getPathname(), explode('/', $inside)[0]];
        }
    }

    public function test_the_core_runs_without_packages(): void
    {
        self::assertStringNotContainsString('vendor', (string) file_get_contents(dirname(__DIR__).'/bin/pencil'));
        self::assertStringNotContainsString('vendor', (string) file_get_contents(dirname(__DIR__).'/autoload.php'));
    }
}
