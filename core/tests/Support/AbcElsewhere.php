<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Support;

use PHPUnit\Framework\Assert;

/**
 * Somebody else's reader of ABC (a development dependency), asked what it sees.
 *
 * @phpstan-type Seen array{heads: list<string>, places: list<int>, alters: list<int|float>, quarters: int|float, graces: list<int>, rest: bool, decorations: list<string>, opens: bool, closes: bool, ties: bool, above: list<string>}
 * @phpstan-type Heard array{tunes: int, title: string|null, warnings: list<string>, voices: list<list<Seen>>}
 */
final class AbcElsewhere
{
    private const FOLDER = __DIR__.'/../../..';

    /**
     * @param  list<string>  $files
     * @return list<Heard> the first tune of each
     */
    public static function reads(array $files): array
    {
        $process = proc_open(['node', __DIR__.'/abc-reader.mjs'], [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']], $pipes, self::FOLDER);
        Assert::assertIsResource($process);
        fwrite($pipes[0], json_encode($files, JSON_THROW_ON_ERROR));
        fclose($pipes[0]);
        $told = (string) stream_get_contents($pipes[1]);
        $wrong = (string) stream_get_contents($pipes[2]);
        Assert::assertSame(0, proc_close($process), $wrong);
        /** @var list<Heard> $seen */
        $seen = json_decode($told, true, flags: JSON_THROW_ON_ERROR);

        return $seen;
    }
}
