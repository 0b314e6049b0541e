<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/** Brings scores to the same ticks in a quarter. */
final class Resolution
{
    /** Divides by 5, 7 and 9, so that every tuplet that people write is exact. */
    public const FINE = 10080;

    /**
     * Parts that were kept apart, together as one score: the first gives title and composer, and all count in ticks that divide
     * by what each counted in.
     *
     * @param  non-empty-list<Score>  $scores  one part each
     */
    public static function together(array $scores): Score
    {
        $resolution = $scores[0]->resolution;
        foreach ($scores as $score) {
            $resolution = self::common($resolution, $score->resolution);
        }

        return $scores[0]->with(resolution: $resolution, parts: array_merge(...array_map(static fn (Score $score): array => self::of($score, $resolution)->parts, $scores)));
    }

    /** The smallest number that both divide. */
    public static function common(int $one, int $other): int
    {
        return intdiv($one, self::divisor($one, $other)) * $other;
    }

    /** The largest number that divides both. */
    public static function divisor(int $one, int $other): int
    {
        return $other === 0 ? $one : self::divisor($other, $one % $other);
    }

    /** @param int $resolution a multiple of the score's own */
    public static function of(Score $score, int $resolution): Score
    {
        $by = intdiv($resolution, $score->resolution);

        return $by === 1 ? $score : $score->with(resolution: $resolution, parts: array_map(static fn (Part $part): Part => $part->with(measures: array_map(static fn (Measure $measure): Measure => self::measure($measure, $by), $part->measures)), $score->parts));
    }

    private static function measure(Measure $measure, int $by): Measure
    {
        return $measure->with(start: $measure->start * $by, length: $measure->length * $by, items: array_map(static fn (Note|Direction|Attributes|Verbatim $item): Note|Direction|Attributes|Verbatim => match (true) {
            $item instanceof Note => $item->with(onset: $item->onset * $by, duration: $item->duration * $by),
            $item instanceof Direction => $item->with(onset: $item->onset * $by, offset: $item->offset * $by),
            $item instanceof Attributes => $item->with(onset: $item->onset * $by),
            default => new Verbatim($item->onset * $by, $item->kept),
        }, $measure->items));
    }
}
