<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Learning;

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

    /** And so many even without those in any one piece, twice as many for a weight: what shows in one only is no habit (ours). */
    private const ELSEWHERE = 1;

    /** Of the decisions that it changes, so many have to be changed for the better (ours: three of four). */
    private const MOSTLY = 0.75;

    /** A note that was passed over and would be proposed otherwise is held against a change as so many decisions (ours). */
    private const PASSED_OVER = 0.5;

    /** Pull of a factor to 1 (ours). */
    private const RIDGE = 0.4;

    /** Terms of the hand that are tried on the music, those that explain most first. */
    private const TERMS_TRIED = 10;

    /** And so many in slow and in fast music apart. */
    private const TERMS_SPLIT = 4;

    /** Weights that are tried on the music first (ours). */
    private const FIRST_WEIGHTS = [0.3, 3.0];

    /** And then, of the term that explains most: finer ones nobody could tell apart. */
    private const WEIGHTS = [0.2, 0.3, 0.5, 0.7, 1.5, 2.0, 3.0, 5.0];

    /** Changes that are learned at one time: more would explain anything. */
    private const MOST = 4;

    private readonly Lookouts $lookouts;

    /** Through all that was understood so far. */
    private Lookout $look;

    private readonly Observations $observed;

    /** @var list<Change> */
    private array $changes = [];

    /** @var array<string, array<int, true>> the parts of each piece */
    private array $pieces = [];

    /**
     * @param  list<TaughtPart>  $parts
     * @param  array<mixed>  $profile  as a file has it
     */
    private function __construct(array $parts, private readonly array $profile)
    {
        $this->lookouts = new Lookouts($parts);
        foreach ($parts as $place => $part) {
            $this->pieces[$part->title][$place] = true;
        }
        $this->look = $this->with([]);
        $this->observed = new Observations($this->look->observations());
    }

    /**
     * @param  list<TaughtPart>  $parts
     * @param  array<mixed>  $profile  that was worked with, as a file has it
     */
    public static function of(array $parts, array $profile): Learned
    {
        $learning = new self($parts, $profile);
        // One that was dropped may come again: not without end.
        for ($round = 0; $round < 2 * self::MOST && count($learning->changes) < self::MOST && ($guess = $learning->next()) !== null; $round++) {
            $learning->takeIn($guess->change);
        }

        return $learning->learned();
    }

    /** @param list<Change> $changes */
    private function with(array $changes): Lookout
    {
        return $this->lookouts->through(self::changed($this->profile, $changes));
    }

    /**
     * @param  array<mixed>  $profile
     * @param  list<Change>  $changes
     * @return array<mixed>
     */
    private static function changed(array $profile, array $changes): array
    {
        return array_reduce($changes, static fn (array $so, Change $change): array => $change->on($so), $profile);
    }

    /** A change that explained something by itself may explain nothing beside a better one: then it goes. */
    private function takeIn(Change $change): void
    {
        $changes = array_values(array_filter($this->changes, static fn (Change $one): bool => ! $one->isInsteadOf($change)));
        foreach ($changes as $one) {
            $without = [...array_values(array_filter($changes, static fn (Change $other): bool => $other !== $one)), $change];
            $changes = $this->compared($this->with($without), $this->with([...$changes, $change]), $one->aspect, self::CLEARLY_MORE) === null ? array_slice($without, 0, -1) : $changes;
        }
        $this->changes = [...$changes, $change];
        $this->look = $this->with($this->changes);
    }

    private function learned(): Learned
    {
        $understood = array_map(fn (Change $change): Understood => new Understood($change, $this->besideTheOthers($change)), $this->changes);

        return new Learned(self::changed($this->profile, $this->changes), $understood, count($this->observed->all), $this->observed->explainedBy($this->with([])), $this->heldOut($understood));
    }

    private function besideTheOthers(Change $change): Verdict
    {
        $without = array_values(array_filter($this->changes, static fn (Change $one): bool => $one !== $change));

        return Verdict::of($this->with($without), $this->look, $this->observed->about($change->aspect), -INF);
    }

    /**
     * Decisions that would have been proposed, in each piece only with what the other pieces carry by themselves.
     *
     * @param  list<Understood>  $understood
     */
    private function heldOut(array $understood): int
    {
        $right = 0;
        foreach ($this->pieces as $piece) {
            $carried = array_values(array_filter($understood, static fn (Understood $one): bool => $one->verdict->besides($piece)->isClear(self::CLEARLY_MORE, self::MOSTLY)));
            $look = $this->with(array_map(static fn (Understood $one): Change => $one->change, $carried));
            $right += count(array_filter($this->observed->all, static fn (Observation $one): bool => isset($piece[$one->part]) && $look->explains($one)));
        }

        return $right;
    }

    /** The change that explains most of what is left; null where none does so clearly. */
    private function next(): ?Guess
    {
        $terms = $this->terms();
        $guess = $this->best([...$this->settings(), ...$this->weights($terms)]) ?? $this->split($terms);
        $finer = $guess === null || is_string($guess->change->to) ? [] : $this->finer($guess->change);

        return $this->best($finer) ?? $guess;
    }

    /** @return list<Change> further weights on the same side of what was weighed so far */
    private function finer(Change $change): array
    {
        $now = Change::valueIn(self::changed($this->profile, $this->changes), $change->what);

        return $this->weightsOf($change->place, $change->term, (float) $change->to - (float) ($now ?? $change->from), self::WEIGHTS);
    }

    /**
     * Each change is looked at where most is left to be explained; those that promise most there are then looked at everywhere, and
     * of changes that explain the same it is the one in the middle: it is right for most of what could be meant.
     *
     * @param  list<Change>  $changes  those of one thing from the least to the most
     */
    private function best(array $changes): ?Guess
    {
        $promise = array_filter(array_map($this->promise(...), $changes), static fn (int $gain): bool => $gain >= 0);
        arsort($promise);
        $best = [];
        foreach (array_keys($promise) as $place) {
            $guess = $this->tried($changes[$place], $best === [] ? self::CLEARLY_MORE : reset($best)->score);
            if ($guess !== null) {
                $best = $best === [] || $guess->score > reset($best)->score ? [$place => $guess] : $best + [$place => $guess];
            }
        }
        ksort($best);
        $first = reset($best);
        $alike = array_values(array_filter($best, static fn (Guess $guess): bool => $first !== false && $guess->change->isInsteadOf($first->change)));

        return $alike[intdiv(max(0, count($alike) - 1), 2)] ?? null;
    }

    /** Decisions that a change explains more, in the part in which most is left. */
    private function promise(Change $change): int
    {
        $observed = $this->observed->byPromise($this->look, $change->aspect);
        $first = array_values(array_filter($observed, static fn (Observation $one): bool => $one->part === $observed[0]->part));

        return Verdict::of($this->look, $this->with([...$this->changes, $change]), $first, -INF)->gain();
    }

    private function tried(Change $change, float $least): ?Guess
    {
        $found = $this->compared($this->look, $this->with([...$this->changes, $change]), $change->aspect, $least);

        return $found === null || ! $this->holdsBesides($found[0], $change->term === '' ? self::ELSEWHERE : 2 * self::ELSEWHERE, 0.5) ? null : new Guess($change, ...$found);
    }

    /** @return array{Verdict, float}|null what is better and worse, and how much that counts; null where it is not clear, or counts less */
    private function compared(Lookout $before, Lookout $after, Aspect $aspect, float $least): ?array
    {
        $verdict = Verdict::of($before, $after, $this->observed->byPromise($before, $aspect), $least);
        // What is held against it can only make it less: to look for that takes all parts.
        if ($verdict->gain() < $least || ! $verdict->isClear(self::CLEARLY_MORE, self::MOSTLY)) {
            return null;
        }
        $score = $verdict->gain() - self::PASSED_OVER * $before->turnedRound($after, $aspect, $this->observed->all);

        return $score < $least ? null : [$verdict, $score];
    }

    /** Whether each piece would be told so by the others. */
    private function holdsBesides(Verdict $verdict, int $more, float $mostly): bool
    {
        foreach (count($this->pieces) > 1 ? $this->pieces : [] as $piece) {
            if (! $verdict->besides($piece)->isClear($more, $mostly)) {
                return false;
            }
        }

        return true;
    }

    /** @return list<Change> each setting’s other values */
    private function settings(): array
    {
        $changes = [];
        foreach (Setting::cases() as $setting) {
            $now = $setting->in($this->look->profile);
            foreach ($this->observed->isWorthATry($this->look, $setting->aspect(), self::CLEARLY_MORE, $setting) ? array_diff($setting->values(), [$now]) : [] as $value) {
                $changes[] = Change::ofSetting($setting, $now, $value);
            }
        }

        return $changes;
    }

    /**
     * @param  list<string>  $terms  of the hand
     * @return list<Change> weights of terms that may explain what is left
     */
    private function weights(array $terms): array
    {
        $ofTheBow = $this->observed->isWorthATry($this->look, Aspect::Bow, self::CLEARLY_MORE) ? array_keys(Change::BOW) : [];

        return $this->bothWays('weights', [...array_slice($terms, 0, self::TERMS_TRIED), ...$ofTheBow]);
    }

    /**
     * Lighter and heavier, since terms hang together: what the pairs say of one by itself may be what another does.
     *
     * @param  list<string>  $terms
     * @return list<Change>
     */
    private function bothWays(string $where, array $terms): array
    {
        return array_merge([], ...array_map(fn (string $term): array => [...$this->weightsOf($where, $term, -1, self::FIRST_WEIGHTS), ...$this->weightsOf($where, $term, 1, self::FIRST_WEIGHTS)], $terms));
    }

    /**
     * @param  float  $more  above 0: heavier than now; below: lighter
     * @param  list<float>  $weights
     * @return list<Change> from the least to the most
     */
    private function weightsOf(string $where, string $term, float $more, array $weights): array
    {
        $fast = ['slowWeights' => false, 'fastWeights' => true][$where] ?? null;
        [$before, $now] = [$this->with([])->profile->weight($term, $fast), $this->look->profile->weight($term, $fast)];
        $further = array_values(array_filter($weights, static fn (float $weight): bool => $more * ($weight - $now) > 0));

        return array_map(static fn (float $weight): Change => Change::ofWeight($where, $term, $before, $weight), $more > 0 ? $further : array_reverse($further));
    }

    /**
     * A term that somebody weighs one way in slow and another in fast music: only if each piece would clearly be told so by the others.
     *
     * @param  list<string>  $terms
     */
    private function split(array $terms): ?Guess
    {
        $terms = array_slice($terms, 0, self::TERMS_SPLIT);
        $guess = $this->best([...$this->bothWays('slowWeights', $terms), ...$this->bothWays('fastWeights', $terms)]);

        return $guess !== null && $this->holdsBesides($guess->verdict, self::CLEARLY_MORE, self::MOSTLY) ? $guess : null;
    }

    /** @return list<string> terms of the hand, those first that explain most by themselves; none where nothing is left to explain */
    private function terms(): array
    {
        $pulls = $this->observed->isWorthATry($this->look, Aspect::Hand, self::CLEARLY_MORE) ? $this->look->pulls($this->observed->about(Aspect::Hand)) : [];
        $fitted = array_intersect_key(PairwiseFit::each($pulls, self::RIDGE), Change::HAND);
        uasort($fitted, static fn (array $one, array $other): int => $other[1] <=> $one[1]);

        return array_keys($fitted);
    }
}
