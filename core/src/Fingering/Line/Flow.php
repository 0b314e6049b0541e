<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Line;

use UprightPencil\Core\Score\Pitch;

/** How a line goes through a pitch: what decides between an open string and the fourth finger (`fingering.md`, principle 1). */
enum Flow: int
{
    /** By leap, at a turn, at an end, or upwards: the open string is the natural way. */
    case Free = 0;

    /** Downwards by step, through it; or the same pitch again in such a place. */
    case Through = 1;

    /** At a turn that is slurred or fast: neither is more natural. */
    case Turn = 2;

    /** A turn is closed within so many notes. */
    private const TURN = 4;

    /** A step is at most this many half steps. */
    private const STEP = 2;

    /**
     * @param  list<Pitch|null>  $pitches  of the first note of each event
     * @param  list<bool>  $slurred  in one slur with the event before
     * @param  list<bool>  $parted  time lies between an event and the one before: the line begins anew
     * @param  list<bool>  $fast  so soon after the event before
     * @param  list<bool>  $fours  the print has a 4 there
     * @return list<self> one for each event
     */
    public static function along(array $pitches, array $slurred, array $parted, array $fast, array $fours): array
    {
        $flows = [];
        foreach ($pitches as $place => $pitch) {
            [$before, $after] = [self::neighbour($pitches, $parted, $place, -1), self::neighbour($pitches, $parted, $place, 1)];
            $flows[] = match (true) {
                $pitch === null => self::Free,
                $fours[$place] => self::Through,
                $before !== null && $after !== null && self::steps($before, $pitch) < 0 && self::steps($pitch, $after) < 0 => self::Through,
                // What is slurred down from it stays on the lower string, and so does it.
                $after !== null && ($slurred[$place + 1] ?? false) && $after->midi() < $pitch->midi() && $after->midi() >= $pitch->midi() - self::STEP => self::Turn,
                $before !== null && $after !== null && $before->midi() === $after->midi() && $slurred[$place] && ($slurred[$place + 1] ?? false) => self::Turn,
                self::turnsAbove($pitches, $parted, $flows, $place) => self::Turn,
                self::returnsTo($pitches, $parted, $flows, $place) => self::Through,
                $fast[$place] && ($fast[$place + 1] ?? false) && self::isPeak($before, $pitch, $after) && ! self::alternates($pitches, $place) => self::Turn,
                default => self::Free,
            };
        }

        return $flows;
    }

    /**
     * The nearest other pitch on one side, as far as the line goes on.
     *
     * @param  list<Pitch|null>  $pitches
     * @param  list<bool>  $parted
     */
    private static function neighbour(array $pitches, array $parted, int $place, int $way): ?Pitch
    {
        for ($here = $place; ; $here += $way) {
            $next = $pitches[$here + $way] ?? null;
            if ($next === null || $parted[max($here, $here + $way)]) {
                return null;
            }
            if ($next->midi() !== $pitches[$place]?->midi()) {
                return $next;
            }
        }
    }

    /**
     * The note before the last was this pitch, and the line came down through it: there and back it has one finger.
     *
     * @param  list<Pitch|null>  $pitches
     * @param  list<bool>  $parted
     * @param  list<self>  $flows  so far
     */
    private static function returnsTo(array $pitches, array $parted, array $flows, int $place): bool
    {
        $earlier = $pitches[$place - 2] ?? null;

        return $earlier !== null && ! $parted[$place] && ! $parted[$place - 1] && $earlier->midi() === $pitches[$place]?->midi() && $flows[$place - 2] === self::Through;
    }

    /**
     * This pitch was a turn a few notes ago, and all between lay below it: it closes the turn with the same finger.
     *
     * @param  list<Pitch|null>  $pitches
     * @param  list<bool>  $parted
     * @param  list<self>  $flows  so far
     */
    private static function turnsAbove(array $pitches, array $parted, array $flows, int $place): bool
    {
        $own = $pitches[$place]?->midi() ?? 0;
        for ($earlier = $place - 1; $earlier >= 0 && $earlier >= $place - self::TURN && ! $parted[$earlier + 1]; $earlier--) {
            $pitch = $pitches[$earlier]?->midi() ?? 0;
            if ($pitch >= $own) {
                return $pitch === $own && $earlier < $place - 1 && $flows[$earlier] === self::Turn;
            }
        }

        return false;
    }

    /** A turn of the tune, come to or left by step. */
    private static function isPeak(?Pitch $before, Pitch $pitch, ?Pitch $after): bool
    {
        return $before !== null && $after !== null && $before->midi() < $pitch->midi() && $after->midi() < $pitch->midi()
            && (self::steps($before, $pitch) !== 0 || self::steps($pitch, $after) !== 0);
    }

    /**
     * Every other note is this one: a drone.
     *
     * @param  list<Pitch|null>  $pitches
     */
    private static function alternates(array $pitches, int $place): bool
    {
        $own = $pitches[$place]?->midi();

        return ($pitches[$place - 2] ?? null)?->midi() === $own || ($pitches[$place + 2] ?? null)?->midi() === $own;
    }

    /** Half steps from one to the other where they are neighbours in the scale; 0 where they are not. */
    private static function steps(Pitch $from, Pitch $to): int
    {
        $steps = $to->midi() - $from->midi();

        return abs($steps) <= self::STEP && $from->diatonic() !== $to->diatonic() ? $steps : 0;
    }
}
