<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;

/**
 * Follows the bow along its length. Every stroke wants its amount (BowNeed); the bow may go faster or slower than that to
 * get back where it is needed, and that is spread as evenly as it can be: the cheapest path over places, a twentieth of the
 * bow apart. In rests the bow travels through the air, as far as there is time.
 */
final class BowTravel
{
    private const PLACES = 20;

    /** The bow may go this much slower or faster than comfortable within a phrase (`bowing.md`). */
    public const SLOWEST = 0.6;

    public const FASTEST = 1.8;

    /** Points for a bow that goes e times too fast or too slow. */
    private const STRAY = 2.5;

    private const BEYOND = 6.0;

    private const STUCK = 25.0;

    private float $circle;

    public function __construct(
        private readonly BowNeed $need,
        private readonly LeftHand $hand,
        ClassProfile $profile,
        Instrument $instrument,
    ) {
        $this->circle = $profile->retakeSeconds($instrument);
    }

    /** @return list<TravelledStroke> in playing order */
    public function along(BowedLine $line, BowMarks $marks): array
    {
        $costs = array_fill(0, self::PLACES + 1, 0.0);
        $back = $wanted = $needs = $starts = [];
        foreach ($line->played as $number => $bowed) {
            $stroke = $line->strokes[$bowed->stroke];
            $needs[$number] ??= $this->need->amount($stroke);
            $wanted[$number] = WantedPlace::of($stroke, $marks, $this->need, $this->hand, $line->strokes[$bowed->stroke + 1] ?? null);
            [$costs, $starts[$number]] = $number === 0 ? self::opening($bowed->direction) : $this->throughAir($costs, $bowed, $stroke, $line);
            [$costs, $back[$number]] = self::strokes($costs, $bowed->direction, $needs[$number], $wanted[$number]);
        }

        return self::walkedBack($line, $costs, $back, $starts, $needs, $wanted);
    }

    /** @return array{list<float>, list<int>} a first down-bow starts near the frog, an up-bow near the tip */
    private static function opening(BowSign $direction): array
    {
        $costs = [];
        for ($place = 0; $place <= self::PLACES; $place++) {
            $costs[] = 0.3 * ($direction === BowSign::Down ? $place : self::PLACES - $place) / self::PLACES;
        }

        return [$costs, array_keys($costs)];
    }

    /**
     * The cheapest way to be at each place when a stroke begins, and where the stroke before ended for it.
     *
     * @param  list<float>  $costs
     * @return array{list<float>, list<int>}
     */
    private function throughAir(array $costs, BowedStroke $bowed, Stroke $stroke, BowedLine $line): array
    {
        $seconds = $this->airSeconds($bowed, $stroke, $line);
        if ($seconds === 0.0) {
            return [$costs, array_keys($costs)];
        }
        $best = array_fill(0, self::PLACES + 1, INF);
        $from = array_keys($best);
        for ($to = 0; $to <= self::PLACES; $to++) {
            foreach ($costs as $place => $cost) {
                $far = abs($to - $place) / self::PLACES;
                $taken = $this->circle * $far;
                $air = $far === 0.0 ? 0.0 : 0.1 + 0.15 * $far + 4.0 * max(0.0, $taken / $seconds - 1.0);
                if ($cost + $air < $best[$to]) {
                    $best[$to] = $cost + $air;
                    $from[$to] = $place;
                }
            }
        }

        return [$best, $from];
    }

    /** Time to move in the air: the rest, or for a retake without one a third of the note before. */
    private function airSeconds(BowedStroke $bowed, Stroke $stroke, BowedLine $line): float
    {
        $rest = $bowed->jumped ? 0.0 : $this->need->gapSeconds($stroke);
        $before = $line->strokes[$bowed->stroke - 1] ?? null;
        if ($rest > 0.0 || $bowed->action !== BowAction::Retake || $before === null) {
            return $bowed->jumped && $bowed->action === BowAction::Retake ? max($rest, $this->circle) : $rest;
        }

        return max(0.05, $this->need->seconds($before) / 3);
    }

    /**
     * @param  list<float>  $costs
     * @return array{list<float>, array<int, int>} cost of ending at each place, and where the stroke began for it
     */
    private static function strokes(array $costs, BowSign $direction, float $need, ?WantedPlace $wanted): array
    {
        $way = $direction === BowSign::Down ? 1 : -1;
        $comfort = min(1.0, $need);
        $least = max(1, (int) floor(self::SLOWEST * $comfort * self::PLACES));
        $most = max($least, (int) ceil(self::FASTEST * $comfort * self::PLACES));
        $efforts = [];
        for ($steps = 0; $steps <= min($most, self::PLACES); $steps++) {
            $efforts[$steps] = self::effort($steps / self::PLACES, $comfort);
        }
        $best = array_fill(0, self::PLACES + 1, INF);
        $from = [];
        foreach ($costs as $start => $cost) {
            $room = $way === 1 ? self::PLACES - $start : $start;
            $last = min($most, $room);
            for ($steps = min($least, $room); $steps <= $last; $steps++) {
                $end = $start + $way * $steps;
                $sum = $cost + $efforts[$steps];
                if ($wanted !== null) {
                    $sum += $wanted->weight * $wanted->distance($start / self::PLACES, $end / self::PLACES);
                }
                if ($sum < $best[$end]) {
                    $best[$end] = $sum;
                    $from[$end] = $start;
                }
            }
        }

        return [array_values($best), $from];
    }

    /** What it costs to use this much bow where another amount is comfortable. */
    private static function effort(float $amount, float $comfort): float
    {
        if ($amount === 0.0) {
            return self::STUCK;
        }
        $factor = $amount / $comfort;
        // Short strokes may be any small amount: a grid place more or less is not felt.
        $felt = min(1.0, $comfort / 0.15);
        $stray = self::STRAY * log($factor) ** 2 * $felt;
        $beyond = max(0.0, self::SLOWEST / $factor - 1.0, $factor / self::FASTEST - 1.0);

        return $stray + ($comfort < 0.12 ? 0.3 : 1.0) * self::BEYOND * $beyond;
    }

    /**
     * @param  list<float>  $costs
     * @param  array<int, array<int, int>>  $back
     * @param  array<int, list<int>>  $starts
     * @param  array<int, float>  $needs
     * @param  array<int, WantedPlace|null>  $wanted
     * @return list<TravelledStroke>
     */
    private static function walkedBack(BowedLine $line, array $costs, array $back, array $starts, array $needs, array $wanted): array
    {
        $end = (int) array_search(min($costs ?: [0.0]), $costs, true);
        $travelled = [];
        for ($number = count($line->played) - 1; $number >= 0; $number--) {
            $start = $back[$number][$end] ?? $end;
            [$from, $to] = [$start / self::PLACES, $end / self::PLACES];
            $off = $wanted[$number]?->distance($from, $to) ?? 0.0;
            $travelled[] = new TravelledStroke($line->played[$number], $from, $to, $needs[$number], $off, $wanted[$number]);
            $end = $starts[$number][$start] ?? $start;
        }

        return array_reverse($travelled);
    }
}
