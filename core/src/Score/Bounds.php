<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/** What is a number in music: readers ask here before they reckon with what a file says. */
final class Bounds
{
    /** Beats in one term of a meter; far more than anybody beats. */
    public const MOST_BEATS = 128;

    /** The shortest beat: a 128th. */
    public const SHORTEST_BEAT = 128;

    /** Divisions of a quarter in MusicXML; programs use up to some ten thousand. */
    public const MOST_DIVISIONS = 1_000_000;

    /** Any other whole number in a file. */
    public const MOST_WHOLE = 1_000_000_000;

    /** Quarters a minute. */
    public const SLOWEST = 5.0;

    public const FASTEST = 1000.0;

    /** “4” or “3+2” over 1, 2, 4 … 128. */
    public static function isMeter(string $beats, string $value): bool
    {
        if (preg_match('/^\d{1,3}(\s*\+\s*\d{1,3})*$/', $beats) !== 1 || preg_match('/^\d{1,3}$/', $value) !== 1) {
            return false;
        }
        $sum = array_sum(array_map(intval(...), explode('+', $beats)));
        $beat = (int) $value;

        return $sum > 0 && $sum <= self::MOST_BEATS && $beat > 0 && $beat <= self::SHORTEST_BEAT && ($beat & ($beat - 1)) === 0;
    }

    /** Quarters a minute; null when nobody plays so. */
    public static function tempo(mixed $told): ?float
    {
        $tempo = is_numeric($told) ? (float) $told : 0.0;

        return $tempo >= self::SLOWEST && $tempo <= self::FASTEST ? $tempo : null;
    }

    /** A whole number; null when it is none, or beyond all music. */
    public static function whole(?string $text): ?int
    {
        $number = is_numeric($text) ? (float) $text : NAN;

        return abs($number) <= self::MOST_WHOLE ? (int) round($number) : null;
    }
}
