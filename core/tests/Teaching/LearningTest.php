<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Teaching;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Teaching\Learning\Learned;
use UprightPencil\Core\Teaching\Learning\Learning;
use UprightPencil\Core\Teaching\Learning\PairwiseFit;
use UprightPencil\Core\Teaching\Learning\TaughtPart;
use UprightPencil\Core\Teaching\Learning\Understood;
use UprightPencil\Core\Tests\Support\HiddenDirector;

/** Directors whose profile is hidden, one decision in ten a slip, are understood on pieces that they never marked. */
final class LearningTest extends TestCase
{
    private const BASE = ['level' => 'advanced'];

    /** @return iterable<string, array{Instrument, array<string, mixed>, string}> */
    public static function directors(): iterable
    {
        yield 'violin, 4 for open strings' => [Instrument::Violin, ['open' => 'four'], 'open=four'];
        yield 'viola, moves back' => [Instrument::Viola, ['lowFirst' => 'move'], 'lowFirst=move'];
        yield 'cello, as the bow comes' => [Instrument::Cello, ['bowing' => 'as-it-comes'], 'bowing=as-it-comes'];
        yield 'violin, pairs short notes' => [Instrument::Violin, ['bowing' => 'paired'], 'bowing=paired'];
        yield 'bass, shifts gladly' => [Instrument::Bass, ['weights' => ['shift' => 0.3]], 'weights.shift=0.3'];
        yield 'violin, stays on the string' => [Instrument::Violin, ['weights' => ['string-crossing' => 3]], 'weights.string-crossing=3'];
        yield 'cello, shifts rarely' => [Instrument::Cello, ['weights' => ['shift' => 3]], 'weights.shift=3'];
        yield 'viola, every finger' => [Instrument::Viola, ['fingers' => 'every'], 'fingers=every'];
        yield 'bass, goes up the string' => [Instrument::Bass, ['weights' => ['position' => 0.2]], 'weights.position=0.2'];
        yield 'viola, 4 for open strings and as the bow comes' => [Instrument::Viola, ['open' => 'four', 'bowing' => 'as-it-comes'], 'open=four bowing=as-it-comes'];
    }

    /** @param array<string, mixed> $mine */
    #[DataProvider('directors')]
    public function test_forty_decisions_take_half_of_the_disagreement_away_and_a_hundred_three_quarters(Instrument $instrument, array $mine, string $understood): void
    {
        $director = new HiddenDirector($instrument, $mine + self::BASE, self::BASE);
        foreach ([40 => 2, 100 => 4] as $decisions => $part) {
            $taught = $director->taught($decisions);
            self::assertLessThanOrEqual($decisions, array_sum(array_map(static fn (TaughtPart $part): int => count($part->decisions), $taught)));
            $learned = Learning::of($taught, self::BASE);
            [$before, $after] = $director->disagreement($learned);

            self::assertGreaterThan(5, $before, 'there is something to learn');
            self::assertLessThanOrEqual($before / $part, $after);
            self::assertGreaterThan($learned->before, $learned->after, 'also where each piece is told by the others');
        }
        self::assertSame($understood, self::names($learned));
    }

    public function test_whoever_agrees_is_left_alone_and_so_is_whoever_decides_by_chance(): void
    {
        foreach (Instrument::cases() as $instrument) {
            $agrees = new HiddenDirector($instrument, self::BASE, self::BASE);
            self::assertSame('', self::names(Learning::of($agrees->taught(60, 3), self::BASE)));
        }
        $chance = new HiddenDirector(Instrument::Violin, ['open' => 'four'] + self::BASE, self::BASE, slips: 10);
        $learned = Learning::of($chance->taught(30, 3), self::BASE);
        self::assertSame(['', self::BASE], [self::names($learned), $learned->profile]);
    }

    public function test_two_directors_are_understood_each_as_they_are(): void
    {
        $one = new HiddenDirector(Instrument::Violin, ['open' => 'four'] + self::BASE, self::BASE);
        $two = new HiddenDirector(Instrument::Violin, ['bowing' => 'as-it-comes'] + self::BASE, self::BASE);

        self::assertSame(['open=four', 'bowing=as-it-comes'], array_map(static fn (HiddenDirector $director): string => self::names(Learning::of($director->taught(40), self::BASE)), [$one, $two]));
    }

    /** Shifts gladly in slow music and rarely in fast: two schools are not averaged into a third. */
    public function test_slow_and_fast_music_are_told_apart_where_each_piece_says_so(): void
    {
        $director = new HiddenDirector(Instrument::Violin, ['slowWeights' => ['shift' => 0.3], 'fastWeights' => ['shift' => 3]] + self::BASE, self::BASE, twoPaces: true);
        $learned = Learning::of($director->taught(100), self::BASE);
        self::assertSame('weights.shift=0.3 fastWeights.shift=3', self::names($learned));
        self::assertSame('You avoid shifts more than we do in fast music.', $learned->understood[1]->change->sentence);
        [$before, $after] = $director->disagreement($learned);
        self::assertLessThanOrEqual($before / 4, $after);
    }

    public function test_what_shows_in_one_piece_only_is_no_habit(): void
    {
        $four = new HiddenDirector(Instrument::Violin, ['open' => 'four'] + self::BASE, self::BASE);
        $agrees = new HiddenDirector(Instrument::Violin, self::BASE, self::BASE, 9);
        $once = [$four->taught(40)[0], ...array_slice($agrees->taught(40), 1)];
        self::assertGreaterThan(4, count($once[0]->decisions));
        self::assertSame('', self::names(Learning::of($once, self::BASE)));
    }

    public function test_the_evidence_names_places_and_what_was_proposed_there(): void
    {
        $director = new HiddenDirector(Instrument::Violin, ['open' => 'four'] + self::BASE, self::BASE);
        $learned = Learning::of($director->taught(40), self::BASE);
        /** @var array{open: string, learned: array{understood: list<array{what: string, from: string, to: string, evidence: string, better: list<array{chosen: string, proposed: string}>}>}} $told */
        $told = $learned->toArray();
        self::assertSame('four', $told['open']);
        $one = $told['learned']['understood'][0];
        self::assertSame(['open', 'up-open-down-four', 'four'], [$one['what'], $one['from'], $one['to']]);
        self::assertMatchesRegularExpression('/^Right \d+ of the \d+ times that it changes something you decided about\.$/', $one['evidence']);
        self::assertContains(['4 on D', '0 on A'], array_map(static fn (array $place): array => [$place['chosen'], $place['proposed']], $one['better']));
        self::assertSame($told['open'], ClassProfile::fromArray($told)->openStrings->value, 'its file is a profile');
    }

    private static function names(Learned $learned): string
    {
        return implode(' ', array_map(static fn (Understood $one): string => $one->change->name(), $learned->understood));
    }

    public function test_a_factor_moves_only_as_far_as_the_evidence_carries(): void
    {
        $factors = array_map(static fn (int $times): float => PairwiseFit::factors(array_fill(0, $times, ['shift' => 0.5, 'position' => -0.5]), 3.0)['shift'], [1, 4, 16]);
        self::assertLessThan(1.0, $factors[0]);
        self::assertLessThan($factors[0], $factors[1]);
        self::assertLessThan($factors[1], $factors[2]);
        self::assertGreaterThanOrEqual(PairwiseFit::LEAST, $factors[2]);
        $ofTwoMinds = PairwiseFit::factors(array_merge(array_fill(0, 8, ['shift' => 1.0]), array_fill(0, 8, ['shift' => -1.0])), 3.0)['shift'];
        self::assertGreaterThan(PairwiseFit::factors(array_fill(0, 16, ['shift' => 1.0]), 3.0)['shift'], $ofTwoMinds, 'contradictions carry less far');
    }

    /** At the least loss a step to either side costs more. */
    public function test_the_fit_is_the_least_there_is(): void
    {
        $pulls = [['shift' => 2.0, 'position' => -1.0], ['shift' => 1.5, 'string-crossing' => -2.0], ['shift' => -1.0, 'position' => 0.4], ['string-crossing' => 0.8, 'position' => -0.9]];
        $factors = PairwiseFit::factors($pulls, 0.3);
        $least = PairwiseFit::loss($pulls, $factors, 0.3);
        foreach (array_keys($factors) as $term) {
            foreach ([-0.02, 0.02] as $step) {
                self::assertGreaterThan($least, PairwiseFit::loss($pulls, [$term => $factors[$term] + $step] + $factors, 0.3), $term);
            }
        }
    }
}
