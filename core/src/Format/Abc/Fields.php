<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Abc;

use UprightPencil\Core\Score\Bounds;
use UprightPencil\Core\Score\Direction;
use UprightPencil\Core\Score\DirectionKind;
use UprightPencil\Core\Score\DirectionSign;
use UprightPencil\Core\Score\Meter;

/** What the fields of a tune say: meter, unit length and tempo. */
final class Fields
{
    /** The unit length is 1/512 at the shortest. */
    private const SHORTEST_UNIT = 512;

    /** @return Meter|null null when it is not one that we know */
    public static function meter(string $text): ?Meter
    {
        $text = (string) preg_replace('/\s+/', '', $text);
        if ($text === 'C' || $text === 'C|') {
            return $text === 'C' ? new Meter([['4', 4]], kept: ['symbol' => 'common']) : new Meter([['2', 2]], kept: ['symbol' => 'cut']);
        }
        if (in_array(strtolower($text), ['none', 'free', ''], true)) {
            return new Meter([], printed: false);
        }
        $terms = self::terms($text);

        return $terms === [] ? null : new Meter($terms);
    }

    /** @return list<array{string, int}> of 6/8, (2+3)/8, 2+3/8, 2/4+3/8; empty when it is none of them */
    private static function terms(string $text): array
    {
        $terms = [];
        $left = str_replace(['(', ')'], '', $text);
        while (preg_match('/^(\d+(?:\+\d+)*)\/(\d+)(?:\+|$)/', $left, $found) === 1) {
            if (! Bounds::isMeter($found[1], $found[2])) {
                return [];
            }
            $terms[] = [$found[1], (int) $found[2]];
            $left = substr($left, strlen($found[0]));
        }

        return $left === '' ? $terms : [];
    }

    /**
     * Without L: the unit is a sixteenth in meters shorter than three quarters, else an eighth.
     *
     * @return int ticks
     */
    public static function unit(string $length, string $meter): int
    {
        if (preg_match('/^1(?:\s*\/\s*(\d{1,3}))?(?!\d)/', trim($length), $found) === 1) {
            $below = (int) ($found[1] ?? 1);
            if ($below > 0 && $below <= self::SHORTEST_UNIT) {
                return intdiv(4 * Reader::RESOLUTION, $below);
            }
        }
        $full = self::meter($meter)?->ticks(Reader::RESOLUTION);

        return intdiv(Reader::RESOLUTION, $full !== null && $full < 3 * Reader::RESOLUTION ? 4 : 2);
    }

    /**
     * `1/4=96`, `"Lively" 3/8=60`, `1/4 1/8 = 50` (one beat of both), the old `C2=60` and `96`.
     *
     * @param  int  $unit  ticks of the unit note length, in which the old forms count
     * @return Direction|null null when the field says nothing
     */
    public static function tempo(string $text, int $onset, int $unit = Reader::RESOLUTION): ?Direction
    {
        preg_match('/"([^"]*)"/', $text, $words);
        $bare = trim((string) preg_replace('/"[^"]*"/', '', $text));
        $sound = preg_match('/^(.*?)(?:=\s*(?:ca?\.?\s*)?)?(\d+(?:\.\d+)?)\s*$/', $bare, $found) === 1 ? self::quarters(trim($found[1]), (float) $found[2], $unit) : null;
        $said = Text::plain($words[1] ?? '');
        if ($sound === null && $said === '') {
            return null;
        }
        $tempo = $sound === null ? [] : ['tempo' => (string) $sound];

        return $said === ''
            ? new Direction($onset, sound: $tempo, soundOnly: true)
            : new Direction($onset, [new DirectionSign(DirectionKind::Words, $said)], placement: 'above', sound: $tempo);
    }

    private static function quarters(string $beat, float $perMinute, int $unit): ?float
    {
        if (preg_match('/^[A-Ga-g]\s*(\d*)\s*$/', $beat, $found) === 1) {
            return Bounds::tempo($perMinute * max(1, (int) $found[1]) * $unit / Reader::RESOLUTION);
        }
        preg_match_all('/(\d+)\s*\/\s*(\d+)/', $beat, $found, PREG_SET_ORDER);
        $quarters = array_sum(array_map(static fn (array $one): float => (int) $one[2] > 0 ? 4 * (int) $one[1] / (int) $one[2] : 0.0, $found));

        return Bounds::tempo($perMinute * ($quarters > 0 ? $quarters : 1.0));
    }
}
