<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/** How close notes follow each other, for hand and bow alike. Estimates of ours, in seconds. */
final class Pace
{
    /** Notes closer than this are fast: sixteenths from 60, eighths from 120 quarters a minute. */
    private const FAST = 0.26;

    /** So close that a finger had better stay where it is: a quarter at 110. */
    private const CLOSE = 0.55;

    /** A silence of this length is heard as one: the hand moves in it unheard, and a phrase may end with it. */
    private const REST = 0.25;

    /** @param float $seconds from one note to the next */
    public static function isFast(float $seconds): bool
    {
        return $seconds < self::FAST;
    }

    public static function isClose(float $seconds): bool
    {
        return $seconds <= self::CLOSE;
    }

    /** @param float $seconds of silence */
    public static function isRest(float $seconds): bool
    {
        return $seconds >= self::REST;
    }
}
