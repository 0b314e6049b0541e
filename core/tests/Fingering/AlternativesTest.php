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
use UprightPencil\Core\Fingering\Terms\TermPoints;
use UprightPencil\Core\Fingering\Terms\Terms;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\MarkingSession;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\PartMarker;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Score\Line;
use UprightPencil\Core\Score\Pitch;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Strings\WrongProfile;
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

    /** Where decisions lead the line another way, the two ways part in stretches, and what they cost is the difference of the whole. */
    public function test_two_ways_part_in_stretches_that_make_up_the_difference(): void
    {
        foreach (range(1, 6) as $seed) {
            $score = Tune::score(RandomTune::of($seed));
            $session = new MarkingSession($score, $score->parts[0], new Settings(ClassProfile::of(Level::Advanced), Instrument::Violin, bowing: false));
            $free = $session->mark($session->decided([]));
            $ids = array_map(static fn (NoteMark $note): string => $note->note->id, array_values(array_filter($free->notes, static fn (NoteMark $note): bool => $note->finger !== null && $note->finger->fingering->stop->finger > 0)));
            $proposed = $session->others($session->decided([]));
            $decided = $session->decided([Decision::onNote($ids[intdiv(count($ids), 3)], ['finger' => 3]), Decision::onNote($ids[intdiv(2 * count($ids), 3)], ['finger' => 1])]);
            $other = $session->mark($decided);
            $more = 0.0;
            foreach ($session->others($decided) as $line => $way) {
                self::assertSame([], $proposed[$line]->partings($proposed[$line]), 'a way does not part from itself');
                foreach ($proposed[$line]->partings($way) as $parting) {
                    $more += $parting->extra;
                }
            }
            self::assertEqualsWithDelta($other->fingeringCost - $free->fingeringCost, $more, 0.02, "tune {$seed}");
        }
    }

    /** Other weights over the same grips give what a search from nothing gives; so they do when the terms' points are known already. */
    public function test_other_weights_over_the_same_grips_are_as_from_nothing(): void
    {
        foreach (range(1, 6) as $seed) {
            $score = Tune::score(RandomTune::of($seed));
            $marked = static function (array $weights) use ($score): array {
                $session = new MarkingSession($score, $score->parts[0], new Settings(ClassProfile::fromArray(['level' => 'advanced'] + $weights), Instrument::Violin, bowing: false));

                return [$session, $session->mark($session->decided([]))];
            };
            [$plain] = $marked([]);
            $points = new TermPoints;
            foreach ([['weights' => ['shift' => 0.3]], ['weights' => ['shift' => 3, 'position' => 0.5]], ['slowWeights' => ['string-crossing' => 4], 'fastWeights' => ['shift' => 5]], []] as $weights) {
                [, $anew] = $marked($weights);
                $stops = [];
                foreach ($plain->others($plain->decided([])) as $line) {
                    $stops += $line->underOther(Terms::for(Instrument::Violin, ClassProfile::fromArray(['level' => 'advanced'] + $weights), $points));
                }
                foreach ($anew->notes as $note) {
                    isset($stops[$note->note->id]) && self::assertEquals($note->finger?->fingering->stop, $stops[$note->note->id], "tune {$seed}, {$note->note->id}");
                }
                self::assertGreaterThan(5, count($stops));
            }
        }
    }

    public function test_a_term_may_weigh_otherwise_in_fast_music(): void
    {
        $profile = ClassProfile::fromArray(['weights' => ['shift' => 2], 'fastWeights' => ['shift' => 5], 'slowWeights' => ['position' => 3]]);
        self::assertSame([2.0, 2.0, 5.0], [$profile->weight('shift'), $profile->weight('shift', false), $profile->weight('shift', true)]);
        self::assertSame([1.0, 3.0, 1.0], [$profile->weight('position'), $profile->weight('position', false), $profile->weight('position', true)]);
        self::assertEqualsCanonicalizing(['shift', 'position'], $profile->weighed());
        foreach ([[['fastWeights' => ['hook' => 2]], 'Only terms of the hand are weighed otherwise in slow or fast music, not “hook”.'], [['slowWeights' => ['shift' => -1]], 'Weights in a class profile are numbers from 0 up, by the name of their term.']] as [$wrong, $sentence]) {
            try {
                new Settings(ClassProfile::fromArray($wrong));
                self::fail('It is taken.');
            } catch (WrongProfile $said) {
                self::assertSame($sentence, $said->getMessage());
            }
        }
        self::assertStringStartsWith('There is no cost term “shfit” to weigh', (static function (): string {
            try {
                return (string) (new Settings(ClassProfile::fromArray(['fastWeights' => ['shfit' => 2]])))->profile->weight('shift');
            } catch (WrongProfile $said) {
                return $said->getMessage();
            }
        })());
    }
}
