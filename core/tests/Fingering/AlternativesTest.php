<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Fingering;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Fingering\Grips\Grip;
use UprightPencil\Core\Fingering\Grips\GripFinder;
use UprightPencil\Core\Fingering\Line\Step;
use UprightPencil\Core\Fingering\Search\Alternative;
use UprightPencil\Core\Fingering\Search\FingeringSearch;
use UprightPencil\Core\Fingering\Terms\Terms;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\PartMarker;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Score\Line;
use UprightPencil\Core\Score\Pitch;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Tests\Support\Marked;
use UprightPencil\Core\Tests\Support\RandomTune;
use UprightPencil\Core\Tests\Support\Tune;

/** The search is the best there is, and its other ways are real ones, in order, each with its reasons. */
final class AlternativesTest extends TestCase
{
    #[DataProvider('passages')]
    public function test_the_search_is_as_cheap_as_trying_everything(Instrument $instrument, string $pitches): void
    {
        $profile = ClassProfile::of(Level::SecondYear);
        $finder = new GripFinder($instrument, $profile);
        $terms = Terms::for($instrument, $profile);
        $layers = array_map(static fn (string $name): array => $finder->grips([Pitch::named($name)], []) ?: self::fail("{$name} cannot be played."), explode(' ', $pitches));
        $steps = array_map(static fn (int $index): Step => new Step($index === 0 ? 60.0 : 0.3, $index === 0 ? 60.0 : 0.0, $index % 2 === 1, $index % 3 - 1, 0.3), array_keys($layers));
        $search = new FingeringSearch(Line::allOf(Tune::score(implode(' ', array_fill(0, count($layers), 'A4q')))->parts[0])[0]->events, $layers, $steps, $terms);

        self::assertEqualsWithDelta(self::cheapestOfAll($layers, $steps, $terms), $search->price($search->cheapest()), 1e-6);
    }

    /** @return iterable<array{Instrument, string}> */
    public static function passages(): iterable
    {
        yield [Instrument::Violin, 'A4 B4 C5 E5'];
        yield [Instrument::Violin, 'D5 F#5 A5 D6'];
        yield [Instrument::Violin, 'G4 Bb4 A4 E4'];
        yield [Instrument::Viola, 'C4 Eb4 D4 G4'];
        yield [Instrument::Cello, 'F#3 Eb3 D3 Bb2'];
        yield [Instrument::Bass, 'G2 Bb2 C3 D3'];
    }

    #[DataProvider('seeds')]
    public function test_alternatives_are_different_and_in_order_of_cost(int $seed): void
    {
        $marked = Marked::tune(RandomTune::of($seed), settings: new Settings(ClassProfile::of(Level::SecondYear), Instrument::Violin, alternatives: 3));
        $chosen = [];
        foreach ($marked->part->notes as $note) {
            $chosen[$note->note->id] = "{$note->finger?->string}{$note->finger?->fingering?->stop->finger}";
        }
        $ways = $marked->part->alternatives;
        self::assertNotSame([], $ways);
        $keys = array_map(static fn (Alternative $way): string => $way->events[0]->index.' '.$way->key(), $ways);
        self::assertSame($keys, array_values(array_unique($keys)), 'each stands there once');
        foreach ($ways as $number => $way) {
            $before = $ways[$number - 1] ?? null;
            self::assertTrue($before === null || [$before->events[0]->index, $before->extra] <= [$way->events[0]->index, $way->extra], 'in the order of the page, then of cost');
            self::assertGreaterThanOrEqual(0.0, $way->extra, 'none is cheaper than what was chosen');
            self::assertEqualsWithDelta($way->extra, array_sum($way->differences), 0.02, 'the terms account for all of the difference');
            [$first, $last] = [0, count($way->events) - 1];
            self::assertTrue($way->differsAt($first) && $way->differsAt($last), 'it is as long as it differs');
        }
        self::assertNotSame([], $chosen);
    }

    /** @return iterable<array{int}> */
    public static function seeds(): iterable
    {
        foreach (range(1, 12) as $seed) {
            yield [$seed];
        }
    }

    public function test_open_or_four_is_explained_by_the_school(): void
    {
        $why = self::why('2# | D5q C#5 B4 A4 | G4w', 'n4');

        self::assertSame(0, $why->grips[3]->lead()->finger);
        self::assertSame(['an open string on the way down'], $why->costs);
        self::assertContains('a fourth finger', $why->gains);
    }

    public function test_a_higher_position_is_explained_by_what_it_costs(): void
    {
        self::assertMatchesRegularExpression('/notes? in III|shift up to III/', implode("\n", self::why('2# | E5q F#5 G5 F#5', 'n2')->costs));
    }

    public function test_a_note_with_one_way_only_has_no_other(): void
    {
        $score = Tune::score('G3q A3 B3 A3');
        $part = $score->parts[0];

        self::assertNull(PartMarker::why($score, $part, PartDecisions::of($part, []), new Settings(ClassProfile::of(Level::FirstYear), Instrument::Violin), 'n1')['instead']);
        self::assertNull(PartMarker::why($score, $part, PartDecisions::of($part, []), new Settings, 'nowhere')['instead']);
    }

    private static function why(string $tune, string $note): Alternative
    {
        $score = Tune::score($tune);
        $part = $score->parts[0];
        $why = PartMarker::why($score, $part, PartDecisions::of($part, []), new Settings(ClassProfile::of(Level::SecondYear), Instrument::Violin), $note)['instead'];
        self::assertNotNull($why);

        return $why;
    }

    /**
     * @param  list<list<Grip>>  $layers
     * @param  list<Step>  $steps
     */
    private static function cheapestOfAll(array $layers, array $steps, Terms $terms): float
    {
        $best = INF;
        $try = static function (int $index, float $cost, ?Grip $before) use (&$try, &$best, $layers, $steps, $terms): void {
            if ($index === count($layers)) {
                $best = min($best, $cost);

                return;
            }
            foreach ($layers[$index] as $grip) {
                $start = $index > 0 ? 0.0 : ($grip->hand < 2 ? 0.25 : 0.4 * ($grip->hand - 2));
                $try($index + 1, $cost + $start + $terms->standing($grip, $steps[$index]->stance) + ($before === null ? 0.0 : $terms->moving($before, $grip, $steps[$index]->approach)), $grip);
            }
        };
        $try(0, 0.0, null);

        return $best;
    }
}
