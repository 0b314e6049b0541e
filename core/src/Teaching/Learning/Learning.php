<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Learning;

use UprightPencil\Core\Bowing\Marks\BowingSchool;
use UprightPencil\Core\Strings\ClassProfile;

/**
 * What decisions say about how somebody marks: named settings, and how much single terms weigh, one after the other, each time the
 * change that explains most of what is left. A change has to explain clearly more decisions than it spoils, and it is held against it
 * where it would propose something else at notes that were passed over: those say nothing, but a change that turns many of them
 * round is not carried by the evidence. What is not learned: anything that the class was not taught, and no caution.
 */
final class Learning
{
    /** Decisions that a change has to explain more than it spoils (ours). */
    private const CLEARLY_MORE = 4;

    /** Of the decisions that it changes, so many have to be changed for the better (ours: three of four). */
    private const MOSTLY = 0.75;

    /** Of the decisions so many may be slips (ours: a little more than one in ten). */
    private const SLIPS = 0.12;

    /** A note that was passed over and would be proposed otherwise is held against a change as so many decisions (ours). */
    private const PASSED_OVER = 0.25;

    /** Pull of a factor to 1 (ours). */
    private const RIDGE = 0.4;

    /** A factor that moved less than this says nothing. */
    private const FELT = 0.2;

    /** Terms of the hand whose factor is tried on the music, those that explain most first. */
    private const TERMS_TRIED = 3;

    /** Terms of the bow that somebody may mind more or less, and by how much (ours). */
    private const BOW_TERMS = ['hook', 'retake', 'split', 'strong-beat', 'change'];

    private const BOW_FACTORS = [0.4, 2.5];

    /** Changes that are learned at one time: more would explain anything. */
    private const MOST = 4;

    private Lookout $look;

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
        $before = $learning->explained();
        while (count($learning->understood) < self::MOST && ($guess = $learning->next()) !== null) {
            [$learning->profile, $learning->school, $learning->look] = [$guess->profile, $guess->school, $guess->look];
            $learning->understood[] = $guess->understood;
        }

        return new Learned($learning->profile, $learning->school, $learning->understood, count($learning->observed), $before, $learning->explained());
    }

    /** @param array<mixed> $profile */
    private function through(array $profile, BowingSchool $school): Lookout
    {
        return new Lookout($this->parts, ClassProfile::fromArray($profile), $school);
    }

    private function explained(): int
    {
        return count(array_filter($this->observed, $this->look->explains(...)));
    }

    /** The change that explains most of what is left; null where none does so clearly. */
    private function next(): ?Guess
    {
        $best = null;
        foreach ([...$this->settings(), ...$this->weights()] as $guess) {
            $best = $guess !== null && ($best === null || $guess->score > $best->score) ? $guess : $best;
        }

        return $best;
    }

    /** @return iterable<Guess|null> */
    private function settings(): iterable
    {
        foreach (Setting::cases() as $setting) {
            if (! $this->isWorthATry($this->unexplained($setting), $setting->isOfTheBow())) {
                continue;
            }
            $now = $setting->in($this->look->profile, $this->school);
            foreach (array_diff($setting->values(), [$now]) as $value) {
                [$profile, $school] = $setting->on($this->profile, $this->school, $value);
                yield $this->tried($profile, $school, $setting->isOfTheBow(), static fn (Verdict $verdict): Understood => new Understood($setting->value, $now, $value, $setting->sentence($value), $verdict));
            }
        }
    }

    /** @return iterable<Guess|null> */
    private function weights(): iterable
    {
        foreach ($this->factors() as [$term, $factor, $ofTheBow]) {
            $now = $this->look->profile->weight($term);
            $weight = round(max(PairwiseFit::LEAST, min(PairwiseFit::MOST, $now * $factor)), 2);
            if (abs($weight - $now) < 0.05) {
                continue;
            }
            yield $this->tried(['weights' => [$term => $weight] + $this->look->profile->weights()] + $this->profile, $this->school, $ofTheBow, static fn (Verdict $verdict): Understood => Understood::ofTerm($term, $now, $weight, $verdict));
        }
    }

    /** @return list<array{string, float, bool}> term, factor, whether of the bow: those that are worth a try */
    private function factors(): array
    {
        $worth = [];
        if ($this->isWorthATry($this->left(false), false)) {
            $pulls = array_values(array_filter(array_map($this->look->pull(...), $this->about(false))));
            foreach (PairwiseFit::each($pulls, self::RIDGE) as $term => [$factor, $gain]) {
                abs($factor - 1) < self::FELT || $worth[$term] = [$gain, $factor];
            }
        }
        arsort($worth);
        $tried = [];
        foreach (array_slice($worth, 0, self::TERMS_TRIED) as $term => [, $factor]) {
            // Half as far as the pairs say, and then further: a larger step has to explain more.
            array_push($tried, [$term, $factor ** 0.5, false], [$term, $factor ** 0.75, false], [$term, $factor, false]);
        }
        foreach ($this->isWorthATry($this->left(true), true) ? self::BOW_TERMS : [] as $term) {
            foreach (self::BOW_FACTORS as $factor) {
                $tried[] = [$term, $factor, true];
            }
        }

        return $tried;
    }

    /**
     * @param  array<mixed>  $profile
     * @param  \Closure(Verdict): Understood  $understood
     */
    private function tried(array $profile, BowingSchool $school, bool $ofTheBow, \Closure $understood): ?Guess
    {
        $look = $this->through($profile, $school);
        $verdict = Verdict::of($this->look, $look, $this->byPromise($ofTheBow), self::CLEARLY_MORE);
        if (! $verdict->isClear(self::CLEARLY_MORE, self::MOSTLY)) {
            return null;
        }
        $score = $verdict->gain() - self::PASSED_OVER * $this->look->turnedRound($look, $ofTheBow, $this->observed);

        return $score < self::CLEARLY_MORE ? null : new Guess($profile, $school, $look, $score, $understood($verdict));
    }

    /** @return list<Observation> part by part, those first in which most is left to be explained */
    private function byPromise(bool $ofTheBow): array
    {
        $left = array_count_values(array_map(static fn (Observation $one): int => $one->part, $this->left($ofTheBow)));
        $observed = $this->about($ofTheBow);
        usort($observed, static fn (Observation $one, Observation $other): int => [$left[$other->part] ?? 0, $one->part] <=> [$left[$one->part] ?? 0, $other->part]);

        return $observed;
    }

    /** @return list<Observation> */
    private function about(bool $ofTheBow): array
    {
        return array_values(array_filter($this->observed, static fn (Observation $one): bool => $one->ofTheBow === $ofTheBow));
    }

    /** @return list<Observation> that are not explained yet */
    private function left(bool $ofTheBow): array
    {
        return array_values(array_filter($this->about($ofTheBow), fn (Observation $one): bool => ! $this->look->explains($one)));
    }

    /**
     * Nobody is always of one mind: what is left of that is not explained away.
     *
     * @param  list<Observation>  $left
     */
    private function isWorthATry(array $left, bool $ofTheBow): bool
    {
        return count($left) >= max(self::CLEARLY_MORE, self::SLIPS * count($this->about($ofTheBow)));
    }

    /** @return list<Observation> that the setting could explain */
    private function unexplained(Setting $setting): array
    {
        return array_values(array_filter($this->left($setting->isOfTheBow()), $setting->isAbout(...)));
    }
}
