<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Learning;

use UprightPencil\Core\Bowing\Marks\BowingSchool;
use UprightPencil\Core\Strings\ClassProfile;

/**
 * What decisions say about how somebody marks: first the named settings, one after the other, each the one that explains most of
 * what is left; then how much the terms of the hand weigh. Nothing is taken over that does not explain clearly more than it spoils,
 * also on decisions that it was not learned from. What is not learned: anything that the class was not taught, and no caution.
 */
final class Learning
{
    /** Decisions that a setting has to explain more than it spoils (ours). */
    private const CLEARLY_MORE = 4;

    /** Weights are preferred to a named setting that explains less than so much of what they do (ours). */
    private const MUCH_MORE = 1.5;

    /** Of the decisions that it changes, so many have to be changed for the better (ours: three of four). */
    private const MOSTLY = 0.75;

    /** Pull of a factor to 1: about as much as four clear decisions (ours). */
    private const RIDGE = 0.6;

    /** A factor that moved less than this says nothing. */
    private const FELT = 0.15;

    private Lookout $look;

    private bool $weighed = false;

    /** @var list<Observation> */
    private array $observed;

    /** @var list<Understood> */
    private array $understood = [];

    /**
     * @param  list<TaughtPart>  $parts
     * @param  array<mixed>  $profile  as a file has it
     */
    private function __construct(private readonly array $parts, private array $profile, private BowingSchool $school)
    {
        $this->look = $this->through($profile, $school);
        $this->observed = $this->look->observations();
    }

    /**
     * @param  list<TaughtPart>  $parts
     * @param  array<mixed>  $profile  that was worked with, as a file has it
     */
    public static function of(array $parts, array $profile, BowingSchool $school = BowingSchool::StrongBeat): Learned
    {
        $learning = new self($parts, $profile, $school);
        $before = $learning->explained($learning->look, $learning->observed);
        while (($guess = $learning->next()) !== null) {
            [$learning->profile, $learning->school, $learning->look] = [$guess->profile, $guess->school, $guess->look];
            array_push($learning->understood, ...$guess->understood);
        }
        $after = $learning->explained($learning->look, $learning->observed);

        return new Learned($learning->profile, $learning->school, $learning->understood, count($learning->observed), $before, $after);
    }

    /** @param array<mixed> $profile */
    private function through(array $profile, BowingSchool $school): Lookout
    {
        return new Lookout($this->parts, ClassProfile::fromArray($profile), $school);
    }

    /** @param list<Observation> $of */
    private function explained(Lookout $look, array $of): int
    {
        return count(array_filter($of, $look->explains(...)));
    }

    /** The setting that explains most of what is left, or what the terms weigh, where that explains much more; null where nothing is clear. */
    private function next(): ?Guess
    {
        $best = null;
        foreach (Setting::cases() as $setting) {
            if (count($this->unexplained($setting)) < self::CLEARLY_MORE) {
                continue;
            }
            $now = $setting->in($this->look->profile, $this->school);
            foreach (array_diff($setting->values(), [$now]) as $value) {
                [$profile, $school] = $setting->on($this->profile, $this->school, $value);
                $look = $this->through($profile, $school);
                $verdict = Verdict::of($this->look, $look, $this->about($setting->isOfTheBow()));
                $guess = new Guess($profile, $school, $look, $verdict, [new Understood($setting->value, $now, $value, $setting->sentence($value), $verdict)]);
                $best = $verdict->isClear(self::CLEARLY_MORE, self::MOSTLY) && ($best === null || $verdict->gain() > $best->verdict->gain()) ? $guess : $best;
            }
        }
        $weighed = $this->weighed ? null : $this->weigh();
        // A school that has a name is the better explanation, unless it leaves much that weights explain.
        if ($weighed !== null && ($best === null || $best->verdict->isOfTheBow() || $weighed->verdict->gain() >= self::MUCH_MORE * $best->verdict->gain())) {
            $this->weighed = true;

            return $weighed;
        }

        return $best;
    }

    /** @return list<Observation> that the setting could explain */
    private function unexplained(Setting $setting): array
    {
        return array_values(array_filter($this->about($setting->isOfTheBow()), fn (Observation $one): bool => ! $this->look->explains($one) && $setting->isAbout($one)));
    }

    /** @return list<Observation> */
    private function about(bool $ofTheBow): array
    {
        return array_values(array_filter($this->observed, static fn (Observation $one): bool => $one->ofTheBow === $ofTheBow));
    }

    /** What the terms of the hand weigh for this director, in as few factors as explain it; null where halves learned apart do not explain each other. */
    private function weigh(): ?Guess
    {
        $pulls = array_values(array_filter(array_map($this->look->pull(...), $this->about(false))));
        if (! self::holdsOut($pulls)) {
            return null;
        }
        $factors = self::fewest($pulls, PairwiseFit::factors($pulls, self::RIDGE));
        $weights = $this->look->profile->weights();
        foreach ($factors as $term => $factor) {
            $weights[$term] = round(($weights[$term] ?? 1.0) * $factor, 2);
        }
        $profile = ['weights' => $weights] + $this->profile;
        $look = $this->through($profile, $this->school);
        $verdict = Verdict::of($this->look, $look, $this->about(false));
        $understood = array_map(fn (string $term): Understood => Understood::ofTerm($term, $this->look->profile->weight($term), $weights[$term], $verdict), array_keys($factors));

        return $factors !== [] && $verdict->isClear(self::CLEARLY_MORE, self::MOSTLY) ? new Guess($profile, $this->school, $look, $verdict, $understood) : null;
    }

    /**
     * Factors that explain nothing by themselves are left at 1, the smallest first.
     *
     * @param  list<array<string, float>>  $pulls
     * @param  array<string, float>  $factors
     * @return array<string, float>
     */
    private static function fewest(array $pulls, array $factors): array
    {
        uasort($factors, static fn (float $one, float $other): int => abs(log($one)) <=> abs(log($other)));
        foreach ($factors as $term => $factor) {
            $without = array_diff_key($factors, [$term => 1]);
            if (abs($factor - 1) < self::FELT || self::cheaper($pulls, $without) >= self::cheaper($pulls, $factors)) {
                $factors = $without;
            }
        }

        return array_reverse($factors, true);
    }

    /**
     * @param  list<array<string, float>>  $pulls
     * @param  array<string, float>  $factors
     * @return int of the choices so many are the cheaper ones
     */
    private static function cheaper(array $pulls, array $factors): int
    {
        return count(array_filter($pulls, static fn (array $pull): bool => PairwiseFit::difference($pull, $factors) < 0));
    }

    /**
     * Each half is explained better by what the other half taught than by the defaults.
     *
     * @param  list<array<string, float>>  $pulls
     */
    private static function holdsOut(array $pulls): bool
    {
        $halves = [[], []];
        foreach ($pulls as $place => $pull) {
            $halves[$place % 2][] = $pull;
        }
        $now = $then = 0;
        foreach ([[0, 1], [1, 0]] as [$from, $to]) {
            $factors = PairwiseFit::factors($halves[$from], self::RIDGE);
            $now += self::cheaper($halves[$to], []);
            $then += self::cheaper($halves[$to], $factors);
        }

        return $then - $now >= self::CLEARLY_MORE;
    }
}
