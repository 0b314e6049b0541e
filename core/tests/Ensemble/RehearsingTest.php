<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Ensemble;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use UprightPencil\Core\Ensemble\Rehearsing\Noted;
use UprightPencil\Core\Ensemble\Rehearsing\NotedPlace;
use UprightPencil\Core\Ensemble\Rehearsing\PlanItem;
use UprightPencil\Core\Ensemble\Rehearsing\PlayingTime;
use UprightPencil\Core\Ensemble\Rehearsing\RehearsalPlan;
use UprightPencil\Core\Tests\Support\Tune;

/** What is rehearsed, for how long, and what notes say together. */
final class RehearsingTest extends TestCase
{
    public function test_playing_time_is_that_of_the_print_or_of_one_practice_tempo(): void
    {
        $score = Tune::score('4/4 =120 | D4w | E4w | 3/4 =60 F#4h. | G4h.');
        $printed = new PlayingTime($score, null);

        self::assertSame([2.0, 2.0, 3.0, 3.0], $printed->ofEach());
        self::assertSame([5.0, 4.0, 3.0, 0.0], [$printed->of('2', '3'), $printed->of('1', '2'), $printed->of('4', '4'), $printed->of('4', '9')]);
        self::assertSame([4.0, 4.0, 3.0, 3.0], (new PlayingTime($score, 60.0))->ofEach(), 'what slows down in the print is practised in time');
    }

    public function test_a_plan_is_never_longer_than_the_rehearsal_and_lists_what_fell_out(): void
    {
        $plan = RehearsalPlan::of([new PlanItem('tune', 4.0, 1, 60), new PlanItem('long', 200.0, 3, 30), new PlanItem('27', 8.2, 2, 30), new PlanItem('end', 61.0, 1, 0)], 3);

        self::assertSame([['tune', '27', 'end'], ['long']], [array_column($plan->taken, 'key'), array_column($plan->leftOut, 'key')]);
        self::assertSame([64, 47, 61], array_map(static fn (PlanItem $item): int => $item->seconds(), $plan->taken));
        self::assertSame(172, $plan->seconds());
    }

    public function test_any_plan_fits_keeps_its_order_and_loses_nothing(): void
    {
        $random = new Randomizer(new Mt19937(5));
        for ($try = 0; $try < 200; $try++) {
            $items = array_map(static fn (int $key): PlanItem => new PlanItem((string) $key, $random->getInt(0, 900) / 7, $random->getInt(0, 6), $random->getInt(0, 120)), range(1, $random->getInt(1, 30)));
            $plan = RehearsalPlan::of($items, $minutes = $random->getInt(1, 60));
            self::assertLessThanOrEqual(60 * $minutes, $plan->seconds());
            self::assertSame(array_values(array_filter($items, static fn (PlanItem $item): bool => in_array($item, $plan->taken, true))), $plan->taken);
            self::assertEqualsCanonicalizing(array_column($items, 'key'), array_column([...$plan->taken, ...$plan->leftOut], 'key'));
            foreach ($plan->leftOut as $out) {
                self::assertGreaterThan(60 * $minutes - $plan->seconds(), $out->seconds(), 'whatever still fits is taken');
            }
        }
    }

    public function test_a_place_that_was_noted_three_times_is_said(): void
    {
        $note = static fn (string $key, int $from, int $to, int ...$sections): NotedPlace => new NotedPlace($from, $to, array_values($sections), [$key]);
        $again = Noted::again([$note('a', 26, 26, 2), $note('b', 67, 67), $note('c', 26, 26, 2, 3), $note('d', 25, 27, 2), $note('e', 67, 67, 1), $note('f', 26, 26, 1), $note('g', 67, 67), $note('h', 67, 67, 4), $note('i', 67, 67, 1)]);

        self::assertSame([['b', 'e', 'g', 'i'], ['a', 'c', 'd']], array_map(static fn (NotedPlace $one): array => $one->keys, $again));
        self::assertSame([[67, 67, [1]], [26, 26, [2]]], array_map(static fn (NotedPlace $one): array => [$one->from, $one->to, $one->sections], $again));
        self::assertSame([], Noted::again([$note('a', 1, 1), $note('b', 1, 1)]));
    }

    public function test_what_was_never_reached_is_known_only_where_something_was_noted(): void
    {
        $passages = [[0, 9], [10, 17], [18, 33], [34, 52]];

        self::assertSame([], Noted::neverReached([], $passages), 'nothing was noted: nothing is said');
        self::assertSame([2, 3], Noted::neverReached([new NotedPlace(3, 3), new NotedPlace(9, 12, [1])], $passages));
        self::assertSame([], Noted::neverReached([new NotedPlace(0, 60)], $passages));
    }
}
