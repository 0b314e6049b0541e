<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Marking;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\OrderOfPerformance;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Tests\Support\Marked;
use UprightPencil\Core\Tests\Support\RandomTune;
use UprightPencil\Core\Tests\Support\Tune;

/** On any tune: what is not played might as well not be written. */
final class PerformedPropertiesTest extends TestCase
{
    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        for ($seed = 1; $seed <= 40; $seed++) {
            yield "tune {$seed}" => [$seed];
        }
    }

    #[DataProvider('seeds')]
    public function test_a_cut_is_bowed_and_fingered_as_if_its_measures_were_not_there(int $seed): void
    {
        $measures = explode(' | ', RandomTune::of($seed));
        [$from, $to] = self::span($seed, count($measures));
        $left = $measures;
        array_splice($left, $from, $to - $from + 1);

        self::assertSame(self::told(implode(' | ', $left), []), self::told(implode(' | ', $measures), ['cuts' => [self::named(implode(' | ', $measures), $from, $to)]]));
    }

    #[DataProvider('seeds')]
    public function test_two_cuts_are_one_after_the_other(int $seed): void
    {
        $tune = RandomTune::of($seed);
        $part = Tune::score($tune)->parts[0];
        $numbers = array_map(static fn (Measure $measure): string => $measure->number, $part->measures);
        [$one, $other] = [['from' => $numbers[1], 'to' => $numbers[1]], ['from' => $numbers[3], 'to' => $numbers[3]]];
        $cut = static fn (array ...$cuts): OrderOfPerformance => OrderOfPerformance::fromArray(['cuts' => $cuts]);

        self::assertEquals($cut($one, $other)->of($part), $cut($other)->of($cut($one)->of($part)));
        self::assertSame([1, 3], $cut($other, $one)->silent($part));
    }

    #[DataProvider('seeds')]
    public function test_a_repeat_that_is_not_taken_is_as_if_it_were_not_printed(int $seed): void
    {
        $tune = RandomTune::of($seed, repeats: true);
        $repeats = OrderOfPerformance::repeats(Tune::score($tune)->parts[0]);
        self::assertCount(1, $repeats);

        self::assertSame(self::told(str_replace(['|: ', ':|'], ['', '|'], $tune), []), self::told($tune, ['straight' => $repeats]));
    }

    #[DataProvider('seeds')]
    public function test_a_silent_section_bows_as_if_it_had_rests(int $seed): void
    {
        $measures = explode(' | ', RandomTune::of($seed));
        [$from, $to] = self::span($seed, count($measures));
        $silent = $measures;
        for ($measure = $from; $measure <= $to; $measure++) {
            $silent[$measure] = (string) preg_replace('/\(?[A-G][#b]?\d([whqes]\.*)\S*/', 'r$1', $measures[$measure]);
        }

        self::assertSame(
            self::told(implode(' | ', $silent), []),
            self::told(implode(' | ', $measures), ['tacets' => [['part' => 'Violin'] + self::named(implode(' | ', $measures), $from, $to)]]),
        );
    }

    #[DataProvider('seeds')]
    public function test_nothing_of_the_print_is_lost_and_the_rest_keeps_its_time(int $seed): void
    {
        $tune = RandomTune::of($seed);
        $part = Tune::score($tune)->parts[0];
        [$from, $to] = self::span($seed, count($part->measures));
        $order = OrderOfPerformance::fromArray(['cuts' => [self::named($tune, $from, $to)]]);
        $played = $order->of($part);

        self::assertSame(count($part->measures), count($played->measures) + count($order->silent($part)));
        $time = 0;
        foreach ($played->measures as $measure) {
            self::assertSame($time, $measure->start);
            $time += $measure->length;
        }
        self::assertSame(Tune::score($tune)->parts[0]->notes() == $part->notes(), true, 'the print itself is as it was');
    }

    /** @return array{int, int} measures of a tune, never the first, which says key and meter */
    private static function span(int $seed, int $measures): array
    {
        $random = new Randomizer(new Mt19937($seed));
        $from = $random->getInt(1, $measures - 2);

        return [$from, $random->getInt($from, $measures - 2)];
    }

    /** @return array{from: string, to: string} */
    private static function named(string $tune, int $from, int $to): array
    {
        $measures = Tune::score($tune)->parts[0]->measures;

        return ['from' => $measures[$from]->number, 'to' => $measures[$to]->number];
    }

    /**
     * @param  array<mixed>  $order
     * @return array{string, string, string}
     */
    private static function told(string $tune, array $order): array
    {
        $marked = Marked::tune($tune, settings: new Settings(ClassProfile::of(Level::SecondYear), Instrument::Violin, order: OrderOfPerformance::fromArray($order)));

        return [$marked->bows(), $marked->fingers(), $marked->strings()];
    }
}
