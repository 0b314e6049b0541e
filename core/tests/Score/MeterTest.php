<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Score;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Score\Meter;
use UprightPencil\Core\Score\Pace;
use UprightPencil\Core\Score\Sorted;
use UprightPencil\Core\Score\TempoMap;
use UprightPencil\Core\Tests\Support\Tune;

/** How strong the places of a measure are, how long notes last, and how places are looked up. */
final class MeterTest extends TestCase
{
    private const QUARTER = 480;

    /** @param list<float> $strengths at each printed beat */
    #[DataProvider('meters')]
    public function test_the_beats_of_a_measure_are_as_strong_as_a_teacher_counts_them(Meter $meter, array $strengths, bool $compound): void
    {
        $beat = $meter->beatTicks(self::QUARTER);
        $told = array_map(static fn (int $number): float => $meter->strength($number * $beat, self::QUARTER), array_keys($strengths));

        self::assertSame($strengths, $told);
        self::assertSame(count($strengths) * $beat, $meter->ticks(self::QUARTER));
        self::assertSame($compound, $meter->isCompound());
        self::assertSame(0.0, $meter->strength(intdiv($beat, 3), self::QUARTER), 'between the beats');
    }

    /** @return iterable<string, array{Meter, list<float>, bool}> */
    public static function meters(): iterable
    {
        yield 'two four' => [Meter::of(2, 4), [1.0, 0.25], false];
        yield 'three four' => [Meter::of(3, 4), [1.0, 0.25, 0.25], false];
        yield 'four four' => [Meter::of(4, 4), [1.0, 0.25, 0.5, 0.25], false];
        yield 'six eight' => [Meter::of(6, 8), [1.0, 0.25, 0.25, 0.5, 0.25, 0.25], true];
        yield 'nine eight' => [Meter::of(9, 8), [1.0, 0.25, 0.25, 0.5, 0.25, 0.25, 0.5, 0.25, 0.25], true];
        yield 'twelve eight' => [Meter::of(12, 8), [1.0, 0.25, 0.25, 0.5, 0.25, 0.25, 0.5, 0.25, 0.25, 0.5, 0.25, 0.25], true];
        yield 'six four' => [Meter::of(6, 4), [1.0, 0.25, 0.25, 0.5, 0.25, 0.25], true];
        yield 'five four' => [Meter::of(5, 4), [1.0, 0.25, 0.25, 0.5, 0.25], false];
        yield 'five four as two and three' => [new Meter([['2+3', 4]]), [1.0, 0.25, 0.5, 0.25, 0.25], false];
        yield 'seven eight' => [Meter::of(7, 8), [1.0, 0.25, 0.5, 0.25, 0.5, 0.25, 0.25], false];
        yield 'seven eight as three first' => [new Meter([['3+2+2', 8]]), [1.0, 0.25, 0.25, 0.5, 0.25, 0.5, 0.25], false];
        yield 'eight eight as three three two' => [new Meter([['3+3+2', 8]]), [1.0, 0.25, 0.25, 0.5, 0.25, 0.25, 0.5, 0.25], false];
    }

    #[DataProvider('paces')]
    public function test_fast_close_and_rest_are_one_notion_each(float $seconds, bool $fast, bool $rest): void
    {
        self::assertSame($fast, Pace::isFast($seconds));
        self::assertSame($rest, Pace::isRest($seconds));
        self::assertTrue(! Pace::isFast($seconds) || Pace::isClose($seconds), 'what is fast is close');
    }

    /** @return iterable<array{float, bool, bool}> */
    public static function paces(): iterable
    {
        yield [0.1, true, false];
        yield [0.25, true, true];
        yield [0.27, false, true];
        yield [2.0, false, true];
    }

    public function test_what_is_looked_up_is_the_last_one_at_or_before_a_place(): void
    {
        $list = [0, 5, 5, 9, 20];
        foreach (range(-2, 25) as $at) {
            $expected = -1;
            foreach ($list as $index => $tick) {
                $expected = $tick <= $at ? $index : $expected;
            }
            self::assertSame($expected, Sorted::lastAtOrBefore($list, $at));
        }
        self::assertSame(-1, Sorted::lastAtOrBefore([], 3));
    }

    public function test_seconds_go_by_the_tempo_of_their_place(): void
    {
        $tempo = TempoMap::of(Tune::score('=60 A4w | =120 A4w | A4w'));

        self::assertSame(60.0, $tempo->first());
        self::assertSame([60.0, 120.0, 120.0], [$tempo->at(0), $tempo->at(1920), $tempo->at(3 * 1920)]);
        self::assertSame(4.0, $tempo->seconds(1920, 0));
        self::assertSame(2.0, $tempo->seconds(1920, 1920));
        self::assertSame(5.0, TempoMap::of(Tune::score('A4w'), 48.0)->seconds(1920, 0), 'where no tempo is printed the one that is given holds');
    }
}
