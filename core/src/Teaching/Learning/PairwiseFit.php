<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Learning;

/**
 * Finds the factors on cost terms under which what was chosen is cheaper than what was not: a logistic fit of pairs, each factor
 * pulled to 1 (ridge), so that it moves only as far as the evidence carries. The loss is convex; Newton's method with damping
 * finds its one minimum, and the factors stay between the bounds.
 */
final class PairwiseFit
{
    /** Of a factor: a term is never switched off, and never outweighs everything. */
    public const LEAST = 0.2;

    public const MOST = 5.0;

    /** Points of difference at which a choice is about three to one (ours: a shift costs about two). */
    private const SCALE = 1.0;

    private const ROUNDS = 40;

    private const STILL = 1e-6;

    /**
     * @param  list<array<string, float>>  $pulls  for each choice: term => points more that the chosen way costs than the other, unweighed
     * @param  float  $ridge  pull of each factor to 1
     * @param  list<string>|null  $only  terms whose factors move; null: all
     * @return array<string, float> term => factor
     */
    public static function factors(array $pulls, float $ridge, ?array $only = null): array
    {
        $terms = $only ?? array_values(array_unique(array_merge([], ...array_map(array_keys(...), $pulls))));
        sort($terms);
        $factors = array_fill_keys($terms, 1.0);
        for ($round = 0; $round < self::ROUNDS && $terms !== []; $round++) {
            $step = self::step($pulls, $factors, $ridge);
            $moved = 0.0;
            $before = self::loss($pulls, $factors, $ridge);
            for ($damping = 1.0; $damping > 1e-3; $damping /= 2) {
                $next = [];
                foreach ($factors as $term => $factor) {
                    $next[$term] = max(self::LEAST, min(self::MOST, $factor - $damping * $step[$term]));
                }
                if (self::loss($pulls, $next, $ridge) < $before) {
                    $moved = max([0.0, ...array_map(static fn (float $one, float $other): float => abs($one - $other), $next, $factors)]);
                    $factors = $next;
                    break;
                }
            }
            if ($moved < self::STILL) {
                break;
            }
        }

        return $factors;
    }

    /**
     * Each term by itself, all others as they are.
     *
     * @param  list<array<string, float>>  $pulls
     * @return array<string, array{float, float}> term => its factor, and how much it lowers the loss
     */
    public static function each(array $pulls, float $ridge): array
    {
        $fitted = [];
        $before = self::loss($pulls, [], $ridge);
        foreach (array_unique(array_merge([], ...array_map(array_keys(...), $pulls))) as $term) {
            $factors = self::factors($pulls, $ridge, [$term]);
            $fitted[$term] = [$factors[$term], $before - self::loss($pulls, $factors, $ridge)];
        }

        return $fitted;
    }

    /**
     * @param  array<string, float>  $pull
     * @param  array<string, float>  $factors  terms that are not named have 1
     * @return float points more that the chosen way costs; negative where it is the cheaper one
     */
    public static function difference(array $pull, array $factors): float
    {
        $points = 0.0;
        foreach ($pull as $term => $more) {
            $points += ($factors[$term] ?? 1.0) * $more;
        }

        return $points;
    }

    /**
     * @param  list<array<string, float>>  $pulls
     * @param  array<string, float>  $factors
     */
    public static function loss(array $pulls, array $factors, float $ridge): float
    {
        $loss = 0.0;
        foreach ($pulls as $pull) {
            $x = self::difference($pull, $factors) / self::SCALE;
            $loss += $x > 30 ? $x : log1p(exp($x));
        }
        foreach ($factors as $factor) {
            $loss += $ridge * ($factor - 1) ** 2;
        }

        return $loss;
    }

    /**
     * @param  list<array<string, float>>  $pulls
     * @param  array<string, float>  $factors
     * @return array<string, float> Newton's step for each factor
     */
    private static function step(array $pulls, array $factors, float $ridge): array
    {
        $terms = array_keys($factors);
        $place = array_flip($terms);
        $size = count($terms);
        $slope = $bend = [];
        foreach ($terms as $row => $term) {
            $slope[$row] = 2 * $ridge * ($factors[$term] - 1);
            $bend[$row] = array_fill(0, $size, 0.0);
            $bend[$row][$row] = 2 * $ridge;
        }
        foreach ($pulls as $pull) {
            $chance = 1 / (1 + exp(-max(-30.0, min(30.0, self::difference($pull, $factors) / self::SCALE))));
            $moving = array_intersect_key($pull, $place);
            foreach ($moving as $term => $more) {
                $slope[$place[$term]] += $chance * $more / self::SCALE;
                foreach ($moving as $other => $points) {
                    $bend[$place[$term]][$place[$other]] += $chance * (1 - $chance) * $more * $points / self::SCALE ** 2;
                }
            }
        }

        return array_combine($terms, self::solved($bend, $slope));
    }

    /**
     * Gauss's elimination; the ridge keeps the matrix away from the singular.
     *
     * @param  array<int, array<int, float>>  $matrix
     * @param  array<int, float>  $right
     * @return array<int, float>
     */
    private static function solved(array $matrix, array $right): array
    {
        $size = count($right);
        for ($column = 0; $column < $size; $column++) {
            $pivot = $column;
            for ($row = $column + 1; $row < $size; $row++) {
                $pivot = abs($matrix[$row][$column]) > abs($matrix[$pivot][$column]) ? $row : $pivot;
            }
            [$matrix[$column], $matrix[$pivot]] = [$matrix[$pivot], $matrix[$column]];
            [$right[$column], $right[$pivot]] = [$right[$pivot], $right[$column]];
            for ($row = $column + 1; $row < $size; $row++) {
                $factor = $matrix[$row][$column] / $matrix[$column][$column];
                for ($place = $column; $factor !== 0.0 && $place < $size; $place++) {
                    $matrix[$row][$place] -= $factor * $matrix[$column][$place];
                }
                $right[$row] -= $factor * $right[$column];
            }
        }
        $solved = array_fill(0, $size, 0.0);
        for ($row = $size - 1; $row >= 0; $row--) {
            $left = $right[$row];
            for ($place = $row + 1; $place < $size; $place++) {
                $left -= $matrix[$row][$place] * $solved[$place];
            }
            $solved[$row] = $left / $matrix[$row][$row];
        }

        return $solved;
    }
}
