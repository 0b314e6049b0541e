<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Teaching;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Strings\BowingSchool;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Teaching\Learning\Learning;
use UprightPencil\Core\Teaching\Learning\Observation;
use UprightPencil\Core\Teaching\Learning\PairwiseFit;
use UprightPencil\Core\Teaching\Learning\Understood;
use UprightPencil\Core\Tests\Support\HiddenDirector;

/** Directors whose profile is hidden, one decision in ten a slip, are understood on pieces that they never marked. */
final class LearningTest extends TestCase
{
    private const BASE = ['level' => 'advanced'];

    /** @return iterable<string, array{Instrument, array<string, mixed>, BowingSchool}> */
    public static function directors(): iterable
    {
        $usual = BowingSchool::StrongBeat;
        yield 'violin, 4 for open strings' => [Instrument::Violin, ['open' => 'four'], $usual];
        yield 'viola, shifts gladly' => [Instrument::Viola, ['weights' => ['shift' => 0.3]], $usual];
        yield 'cello, as the bow comes' => [Instrument::Cello, [], BowingSchool::AsItComes];
        yield 'bass, goes up the string' => [Instrument::Bass, ['weights' => ['position' => 0.2]], $usual];
        yield 'violin, stays on the string' => [Instrument::Violin, ['weights' => ['string-crossing' => 3]], $usual];
        yield 'violin, stays low' => [Instrument::Violin, ['weights' => ['position' => 3]], $usual];
        yield 'cello, shifts gladly' => [Instrument::Cello, ['weights' => ['shift' => 0.3]], $usual];
        yield 'viola, 4 for open strings and as the bow comes' => [Instrument::Viola, ['open' => 'four'], BowingSchool::AsItComes];
    }

    /** @param array<string, mixed> $mine */
    #[DataProvider('directors')]
    public function test_forty_decisions_take_half_of_the_disagreement_away(Instrument $instrument, array $mine, BowingSchool $school): void
    {
        $director = new HiddenDirector($instrument, $mine + self::BASE, $school, self::BASE);
        $taught = $director->taught(40);
        self::assertLessThanOrEqual(40, array_sum(array_map(static fn ($part): int => count($part->decisions), $taught)));
        $learned = Learning::of($taught, self::BASE);
        [$before, $after] = $director->disagreement($learned);

        self::assertGreaterThan(5, $before, 'there is something to learn');
        self::assertLessThanOrEqual($before / 2, $after);
        self::assertGreaterThan($learned->before, $learned->after);
        foreach ($learned->understood as $one) {
            self::assertGreaterThanOrEqual(4, count($one->verdict->better) - count($one->verdict->worse));
            self::assertNotSame('', $one->sentence);
        }
    }

    public function test_a_hundred_take_three_quarters(): void
    {
        foreach ([[Instrument::Cello, [], BowingSchool::AsItComes], [Instrument::Bass, ['weights' => ['shift' => 0.3]], BowingSchool::StrongBeat]] as [$instrument, $mine, $school]) {
            $director = new HiddenDirector($instrument, $mine + self::BASE, $school, self::BASE, 3);
            [$before, $after] = $director->disagreement(Learning::of($director->taught(100, 10), self::BASE));
            self::assertLessThanOrEqual($before / 4, $after);
        }
    }

    public function test_whoever_agrees_is_left_alone_and_so_is_whoever_decides_by_chance(): void
    {
        foreach (Instrument::cases() as $instrument) {
            $agrees = new HiddenDirector($instrument, self::BASE, BowingSchool::StrongBeat, self::BASE);
            self::assertSame([], Learning::of($agrees->taught(60, 3), self::BASE)->understood);
        }
        $chance = new HiddenDirector(Instrument::Violin, ['open' => 'four'] + self::BASE, BowingSchool::StrongBeat, self::BASE, slips: 10);
        $learned = Learning::of($chance->taught(30, 3), self::BASE);
        self::assertSame([], array_map(static fn (Understood $one): string => $one->sentence, $learned->understood));
        self::assertSame(self::BASE, $learned->profile);
    }

    public function test_two_directors_are_understood_each_as_they_are(): void
    {
        $one = new HiddenDirector(Instrument::Violin, ['open' => 'four'] + self::BASE, BowingSchool::StrongBeat, self::BASE);
        $two = new HiddenDirector(Instrument::Violin, self::BASE, BowingSchool::AsItComes, self::BASE);
        $what = static fn (HiddenDirector $director): array => array_map(static fn (Understood $one): string => "{$one->what} {$one->to}", Learning::of($director->taught(40), self::BASE)->understood);

        self::assertSame([['open four'], ['school as-it-comes']], [$what($one), $what($two)]);
    }

    public function test_the_evidence_names_places_and_what_was_proposed_there(): void
    {
        $director = new HiddenDirector(Instrument::Violin, ['open' => 'four'] + self::BASE, BowingSchool::StrongBeat, self::BASE);
        /** @var array{open: string, learned: array{understood: list<array{what: string, from: string, to: string, evidence: string, better: list<array{chosen: string, proposed: string}>}>}} $told */
        $told = Learning::of($director->taught(40), self::BASE)->toArray();
        self::assertSame('four', $told['open']);
        $one = $told['learned']['understood'][0];
        self::assertSame(['open', 'up-open-down-four', 'four'], [$one['what'], $one['from'], $one['to']]);
        self::assertMatchesRegularExpression('/^It explains \d+ decisions that were not explained before/', $one['evidence']);
        self::assertContains(['4 on D', '0 on A'], array_map(static fn (array $place): array => [$place['chosen'], $place['proposed']], $one['better']));
    }

    public function test_what_was_taken_as_it_was_proposed_is_evidence_for_it(): void
    {
        $taken = new Observation(0, 'Tune', 'n1', '1', 1.0, false, '4 on D', '4 on D');
        self::assertTrue($taken->isTaken());
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
