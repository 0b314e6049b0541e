<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Abc;

use UprightPencil\Core\Score\Bounds;
use UprightPencil\Core\Score\Clef;
use UprightPencil\Core\Score\Direction;
use UprightPencil\Core\Score\Key;
use UprightPencil\Core\Score\Meter;

/** What the fields of a tune say: meter, unit length, key, clef and tempo. */
final class Fields
{
    private const CLEFS = ['treble' => ['G', 2], 'alto' => ['C', 3], 'tenor' => ['C', 4], 'bass' => ['F', 4]];

    private const MODES = ['' => 'major', 'maj' => 'major', 'ion' => 'major', 'm' => 'minor', 'min' => 'minor', 'aeo' => 'minor', 'dor' => 'dorian', 'mix' => 'mixolydian', 'phr' => 'phrygian', 'lyd' => 'lydian', 'loc' => 'locrian'];

    /** Sharps more than the major key of the same name has. */
    private const SHARPS = ['lyd' => 1, 'mix' => -1, 'dor' => -2, 'm' => -3, 'min' => -3, 'aeo' => -3, 'phr' => -4, 'loc' => -5];

    /** The unit length is 1/512 at the shortest. */
    private const SHORTEST_UNIT = 512;

    public static function meter(string $text): Meter
    {
        return match (true) {
            $text === 'C' => new Meter([['4', 4]], kept: ['symbol' => 'common']),
            $text === 'C|' => new Meter([['2', 2]], kept: ['symbol' => 'cut']),
            preg_match('/^\(?(\d+(?:\+\d+)*)\)?\/(\d+)$/', $text, $found) === 1 && Bounds::isMeter($found[1], $found[2]) => new Meter([[$found[1], (int) $found[2]]]),
            default => new Meter([], printed: false),
        };
    }

    /**
     * Without L: the unit is a sixteenth in meters shorter than three quarters, else an eighth.
     *
     * @return int ticks
     */
    public static function unit(string $length, string $meter): int
    {
        if (preg_match('/^1\/(\d{1,3})$/', trim($length), $found) === 1 && (int) $found[1] > 0 && (int) $found[1] <= self::SHORTEST_UNIT) {
            return intdiv(4 * Reader::RESOLUTION, (int) $found[1]);
        }
        $short = preg_match('/^(\d+)\/(\d+)$/', $meter, $found) === 1 && Bounds::isMeter($found[1], $found[2]) && (int) $found[1] / (int) $found[2] < 0.75;

        return intdiv(Reader::RESOLUTION, $short ? 4 : 2);
    }

    public static function key(string $text): Key
    {
        if (preg_match('/^\s*([A-G])([#b]?)\s*(maj|min|mix|dor|phr|lyd|loc|ion|aeo|m)?/i', $text, $found) !== 1) {
            return new Key(0);
        }
        $mode = strtolower($found[3] ?? '');
        $fifths = (int) strpos('FCGDAEB', strtoupper($found[1])) - 1 + 7 * (['#' => 1, 'b' => -1][$found[2]] ?? 0);

        return new Key($fifths + (self::SHARPS[$mode] ?? 0), self::MODES[$mode] ?? null);
    }

    /** The clef that a key field names; empty when it names none. */
    public static function clefName(string $text): string
    {
        return preg_match('/clef\s*=\s*(\S+)|\b(treble|alto|tenor|bass)\b/', $text, $clef) === 1 ? ($clef[1] !== '' ? $clef[1] : $clef[2]) : '';
    }

    public static function clef(string $named): Clef
    {
        $name = strtolower((string) preg_replace('/[^a-z].*$/i', '', $named));
        [$sign, $line] = self::CLEFS[$name] ?? ['G', 2];
        $octave = str_contains($named, '-8') ? -1 : (str_contains($named, '+8') ? 1 : 0);

        return new Clef($sign, $line, $octave);
    }

    /** @return Direction|null null when the field names no number */
    public static function tempo(string $text, int $onset): ?Direction
    {
        if (preg_match('/(?:(\d+)\/(\d+)\s*=\s*)?(\d+)\s*$/', trim((string) preg_replace('/"[^"]*"/', '', $text)), $found) !== 1) {
            return null;
        }
        $beat = $found[1] !== '' && (int) $found[2] > 0 ? 4 * (int) $found[1] / (int) $found[2] : 1.0;

        return new Direction($onset, sound: ['tempo' => (string) ((int) $found[3] * $beat)], soundOnly: true);
    }
}
