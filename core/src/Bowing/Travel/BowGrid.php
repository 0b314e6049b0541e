<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Travel;

use UprightPencil\Core\Score\BowSign;

/**
 * The length of the bow as places, a twentieth apart, and what it costs a class to go from one to another: with a stroke or
 * through the air. A table serves all strokes that ask for the same.
 */
final class BowGrid
{
    public const PLACES = 20;

    /** The bow may go this much slower or faster than comfortable within a phrase (`bowing.md`). */
    public const SLOWEST = 0.6;

    public const FASTEST = 1.8;

    /** Points for a bow that goes e times too fast or too slow. */
    private const STRAY = 2.5;

    private const BEYOND = 6.0;

    private const STUCK = 25.0;

    /** A first stroke that begins at the other end of the bow. */
    private const ELSEWHERE = 0.3;

    /** Moving in the air: at all, for a whole bow's length, and for each time over that it takes longer than there is. */
    private const LIFTING = 0.1;

    private const FARTHER = 0.15;

    private const HURRIED = 4.0;

    /** @var array<string, array<int, array<int, float>>> what strokes cost from place to place, by direction, amount and wish */
    private array $strokes = [];

    /** @var array<string, array<int, array<int, float>>> what moving in the air costs from place to place, by the time for it */
    private array $air = [];

    /** @param float $circle seconds that the class needs for a full circle of the bow */
    public function __construct(public readonly float $circle) {}

    /** @return non-empty-list<float> a first down-bow starts near the frog, an up-bow near the tip */
    public static function opening(BowSign $direction): array
    {
        $costs = [];
        for ($place = 0; $place <= self::PLACES; $place++) {
            $costs[] = self::ELSEWHERE * ($direction === BowSign::Down ? $place : self::PLACES - $place) / self::PLACES;
        }

        return $costs;
    }

    /** @return non-empty-list<float> the bow is where it is, and nowhere else */
    public static function entered(float $at): array
    {
        return array_map(static fn (int $place): float => $place === (int) round($at * self::PLACES) ? 0.0 : INF, range(0, self::PLACES));
    }

    /** @return array<int, array<int, float>> from => to => cost */
    public function air(float $seconds): array
    {
        return $this->air["{$seconds} s"] ??= self::table(function (int $from, int $to) use ($seconds): float {
            $far = abs($to - $from) / self::PLACES;
            $hurry = max(0.0, $this->circle * $far / $seconds - 1.0);

            return $far === 0.0 ? 0.0 : self::LIFTING + self::FARTHER * $far + self::HURRIED * $hurry;
        });
    }

    /**
     * @param  \Closure(int, int): float  $cost
     * @return array<int, array<int, float>>
     */
    private static function table(\Closure $cost): array
    {
        $table = [];
        for ($from = 0; $from <= self::PLACES; $from++) {
            for ($to = 0; $to <= self::PLACES; $to++) {
                $table[$from][$to] = $cost($from, $to);
            }
        }

        return $table;
    }

    /** @return array<int, array<int, float>> where a stroke begins => where it can end => cost */
    public function stroke(BowSign $direction, float $need, ?WantedPlace $wanted): array
    {
        $key = "{$direction->value} {$need} ".($wanted?->key() ?? '');

        return $this->strokes[$key] ??= self::strokes($direction === BowSign::Down ? 1 : -1, min(1.0, $need), $wanted);
    }

    /**
     * @param  int  $way  1 towards the tip, −1 towards the frog
     * @return array<int, array<int, float>>
     */
    private static function strokes(int $way, float $comfort, ?WantedPlace $wanted): array
    {
        $least = max(1, (int) floor(self::SLOWEST * $comfort * self::PLACES));
        $most = max($least, (int) ceil(self::FASTEST * $comfort * self::PLACES));
        $table = [];
        for ($start = 0; $start <= self::PLACES; $start++) {
            $room = $way === 1 ? self::PLACES - $start : $start;
            for ($steps = min($least, $room); $steps <= min($most, $room); $steps++) {
                $end = $start + $way * $steps;
                $table[$start][$end] = self::effort($steps / self::PLACES, $comfort)
                    + ($wanted === null ? 0.0 : $wanted->weight * $wanted->distance($start / self::PLACES, $end / self::PLACES));
            }
        }

        return $table;
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
}
