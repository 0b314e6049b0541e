<?php

declare(strict_types=1);

namespace Tests\Feature;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Lines over 140 characters: none in rooms that are done; elsewhere no new ones, until those that are left are rewritten as named steps. */
final class LineLengthTest extends TestCase
{
    private const LONGEST = 140;

    /** @return array<string, array{string, int}> room, and how many there may still be */
    public static function rooms(): array
    {
        return ['the record' => ['app/Record', 0], 'the application' => ['app', 594], 'the core' => ['core/src', 967]];
    }

    #[DataProvider('rooms')]
    public function test_no_line_is_longer_than_can_be_read(string $room, int $left): void
    {
        $long = [];
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(dirname(__DIR__, 2)."/{$room}", \FilesystemIterator::SKIP_DOTS)) as $file) {
            foreach (file((string) $file, FILE_IGNORE_NEW_LINES) ?: [] as $number => $line) {
                mb_strlen($line) <= self::LONGEST || $long[] = basename((string) $file).':'.($number + 1);
            }
        }

        self::assertLessThanOrEqual($left, count($long), "{$room} has more of them than before: rewrite what is new as named steps.");
        self::assertGreaterThan(0.95 * $left - 1, count($long), "{$room} has fewer by now: put the number down to ".count($long).', so that it stays.');
    }
}
