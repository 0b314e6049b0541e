<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Marking\CachedScores;
use Illuminate\Support\Facades\Cache;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** What was read once is kept; whatever becomes of it, a part opens. */
final class CachedScoresTest extends TestCase
{
    public function test_what_was_read_is_not_read_again(): void
    {
        /** @var array<string, object> $keys */
        $keys = [];
        Cache::shouldReceive('get')->twice()->andReturnUsing(static function (string $key) use (&$keys): ?object {
            return $keys[$key] ?? null;
        });
        Cache::shouldReceive('put')->once()->andReturnUsing(static function (string $key, object $score) use (&$keys): bool {
            $keys[$key] = $score;

            return true;
        });
        $music = self::musicXml();

        self::assertSame(CachedScores::of($music), CachedScores::of($music));
    }

    #[DataProvider('spoilt')]
    public function test_what_cannot_be_woken_up_is_read_anew(mixed $kept): void
    {
        Cache::shouldReceive('get')->andReturnUsing(static fn (): mixed => $kept instanceof \Throwable ? throw $kept : $kept);
        Cache::shouldReceive('put')->andReturn(true);

        self::assertSame('Tune', CachedScores::of(self::musicXml())->title);
    }

    /** @return iterable<string, array{mixed}> */
    public static function spoilt(): iterable
    {
        yield 'nothing' => [null];
        yield 'something else' => ['a string'];
        yield 'a class that is no more' => [new \__PHP_Incomplete_Class];
        yield 'a file that is broken off' => [new \ErrorException('unserialize(): Error at offset 12 of 90 bytes')];
    }
}
