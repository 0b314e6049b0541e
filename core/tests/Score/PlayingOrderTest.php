<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Score;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Score\Barline;
use UprightPencil\Core\Score\Direction;
use UprightPencil\Core\Score\DirectionKind;
use UprightPencil\Core\Score\DirectionSign;
use UprightPencil\Core\Score\Jumps;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\PlayingOrder;

final class PlayingOrderTest extends TestCase
{
    #[DataProvider('roadMaps')]
    public function test_measures_come_in_the_order_they_are_played(string $map, string $played): void
    {
        self::assertSame($played, implode(' ', array_map(static fn (int $index): int => $index + 1, self::orderOf($map)->measures())));
    }

    /** @return iterable<string, array{string, string}> */
    public static function roadMaps(): iterable
    {
        yield 'straight through' => ['. . .', '1 2 3'];
        yield 'a repeat from the start' => ['. .:| .', '1 2 1 2 3'];
        yield 'a repeat from its sign' => ['. |:. .:| .', '1 2 3 2 3 4'];
        yield 'two endings' => ['|:. .[1:| .[2 .', '1 2 1 3 4'];
        yield 'one ending for two passes' => ['|:. .[12:| .[3 .', '1 2 1 2 1 3 4'];
        yield 'two repeats' => ['|:. .:| |:. .:|', '1 2 1 2 3 4 3 4'];
        yield 'three times' => ['|:. .x3', '1 2 1 2 1 2'];
        yield 'D.C. al Fine' => ['. .F . .DC', '1 2 3 4 1 2'];
        yield 'D.C. al Fine without the repeat' => ['. .:| .F .DC', '1 2 1 2 3 4 1 2 3'];
        yield 'D.S. al Coda' => ['. .S .to . .DS .C .', '1 2 3 4 5 2 3 6 7'];
        yield 'the last ending after a D.C.' => ['|:. .[1:| .[2F .DC', '1 2 1 3 4 1 3'];
        yield 'D.C. with nothing to stop it' => ['. .DC', '1 2 1 2'];
        yield 'DC without dots' => ['. .F . .dc', '1 2 3 4 1 2'];
        yield 'a repeat inside the coda' => ['. .to .DC .C .:| .', '1 2 3 1 2 4 5 4 5 6'];
        yield 'endings inside the coda' => ['. .to .DC |:.C .[1:| .[2', '1 2 3 1 2 4 5 4 6'];
        yield 'Coda as a word' => ['. .S .to . .DS .wc .', '1 2 3 4 5 2 3 6 7'];
        yield 'endings of a second repeat without a sign' => ['. .:| . .[1:| .[2 .', '1 2 1 2 3 4 3 5 6'];
        yield 'a D.C. that playback is told not to take' => ['. .no .', '1 2 3'];
    }

    #[DataProvider('roadMaps')]
    public function test_a_repeat_goes_back_to_where_the_walk_goes(string $map): void
    {
        $order = self::orderOf($map)->visits;
        foreach ($order as $number => $visit) {
            $before = $order[$number - 1] ?? null;
            if ($before !== null && $visit->measure <= $before->measure && ! str_contains($map, 'D')) {
                self::assertSame($visit->measure, Jumps::of(self::partOf($map))->startOfRepeat($before->measure), $map);
            }
        }
        self::assertNotSame([], $order);
    }

    public function test_visits_know_their_pass_and_whether_they_were_jumped_to(): void
    {
        $visits = self::orderOf('|:. .[1:| .[2')->visits;

        self::assertSame([1, 1, 2, 1], array_map(static fn ($visit): int => $visit->time, $visits));
        self::assertSame([false, false, true, true], array_map(static fn ($visit): bool => $visit->jumped, $visits));
    }

    public function test_repeats_that_never_end_are_given_up(): void
    {
        self::assertLessThanOrEqual(32, count(self::orderOf('. .x900')->visits));
    }

    /** Each word is a measure: `|:` and `:|` repeats, `[1` endings, `xN` played N times, F, S, C, to, DC, DS. */
    private static function orderOf(string $map): PlayingOrder
    {
        return PlayingOrder::of(self::partOf($map));
    }

    private static function partOf(string $map): Part
    {
        $measures = [];
        foreach (explode(' ', $map) as $index => $word) {
            $measures[] = new Measure((string) ($index + 1), $index * 1920, 1920, items: self::signs($word), barlines: self::barlines($word));
        }

        return new Part('P1', 'Violin', $measures);
    }

    /** @return list<Direction> */
    private static function signs(string $word): array
    {
        $words = static fn (string $text): Direction => new Direction(0, [new DirectionSign(DirectionKind::Words, $text)]);
        $signs = [];
        str_contains($word, 'dc') && $signs[] = $words('DC al Fine');
        str_contains($word, 'wc') && $signs[] = $words('Coda');
        str_contains($word, 'no') && $signs[] = new Direction(0, sound: ['dacapo' => 'no']);
        str_contains($word, 'DC') && $signs[] = $words('D.C. al Fine');
        str_contains($word, 'DS') && $signs[] = $words('D. S. al Coda');
        str_contains($word, 'to') && $signs[] = $words('To Coda');
        str_contains($word, 'F') && $signs[] = $words('Fine');
        preg_match('/S$/', str_replace('DS', '', $word)) === 1 && $signs[] = new Direction(0, [new DirectionSign(DirectionKind::Segno)]);
        preg_match('/C$/', str_replace('DC', '', $word)) === 1 && $signs[] = new Direction(0, [new DirectionSign(DirectionKind::Coda)]);

        return $signs;
    }

    /** @return list<Barline> */
    private static function barlines(string $word): array
    {
        $barlines = str_starts_with($word, '|:') ? [new Barline('left', 'forward')] : [];
        if (preg_match('/\[(\d+)/', $word, $found) === 1) {
            $passes = array_map(intval(...), str_split($found[1]));
            $barlines[] = new Barline('left', null, 2, $passes, 'start');
            $barlines[] = new Barline('right', null, 2, $passes, 'stop');
        }
        if (str_contains($word, ':|')) {
            $barlines[] = new Barline('right', 'backward');
        }
        if (preg_match('/x(\d+)/', $word, $found) === 1) {
            $barlines[] = new Barline('right', 'backward', (int) $found[1]);
        }

        return $barlines;
    }
}
