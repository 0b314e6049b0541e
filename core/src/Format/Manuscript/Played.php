<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Manuscript;

use UprightPencil\Core\Format\UnreadableMusic;
use UprightPencil\Core\Score\Bounds;
use UprightPencil\Core\Score\Meter;
use UprightPencil\Core\Score\NoteType;
use UprightPencil\Core\Score\NoteValue;
use UprightPencil\Core\Score\Resolution;

/**
 * Writes down what was played to a click: each note begins on the nearest eighth or, where it is clearly off that, sixteenth;
 * it lasts to the next one where only a breath is between them. What it makes of it is looked over before it is taken.
 */
final class Played
{
    /** How far from an eighth a note may begin, in quarters, before it is taken for a sixteenth; ends are left more freely. */
    private const OFF_BEGIN = 0.13;

    private const OFF_END = 0.2;

    /** A gap of up to so many quarters is the end of a bow, not a rest. */
    private const BREATH = 0.35;

    /** A sixteenth. */
    private const SHORTEST = 2520;

    /** Half an hour at a walking pace. */
    private const MOST_QUARTERS = 3_000;

    private const MOST_NOTES = 4_000;

    /** Values that a length is written with, the longest first. */
    private const VALUES = [[NoteType::Whole, 0], [NoteType::Half, 1], [NoteType::Half, 0], [NoteType::Quarter, 1], [NoteType::Quarter, 0], [NoteType::Eighth, 1], [NoteType::Eighth, 0], [NoteType::N16, 0]];

    /**
     * @param  string  $json  {"meter": "4/4", "notes": [{"at": "F4", "sign": "#", "on": 0.02, "off": 0.97}]}; times in quarters after
     *                        the first beat of the first measure, a count-in before it as negative numbers
     * @return list<array{notes: list<array<string, mixed>>}> what the measures hold; names of notes are given by who takes them
     *
     * @throws UnreadableMusic
     */
    public static function measures(string $json): array
    {
        $entry = Entry::of(json_decode($json, true, 6), 'What was played');
        preg_match('/^(\d+(?:\+\d+)*)\/(\d+)$/', strtr($entry->text('meter', 20), ['C|' => '2/2', 'C' => '4/4']), $found);
        if (! isset($found[2]) || ! Bounds::isMeter($found[1], $found[2])) {
            throw $entry->fault('meter');
        }
        $full = (int) (new Meter([[$found[1], (int) $found[2]]]))->ticks(Resolution::FINE);
        $notes = self::placed($entry);

        return $notes === [] ? throw new UnreadableMusic('Nothing was heard. Play closer to the microphone, or a little louder.') : self::written($notes, $full);
    }

    /** @return list<array{int, int, array<string, mixed>}> when each begins and ends, in ticks, and what it is */
    private static function placed(Entry $entry): array
    {
        $heard = [];
        foreach ($entry->list('notes', self::MOST_NOTES) as $told) {
            $note = Entry::of($told, 'What was played');
            $head = ['at' => $note->text('at', 4)] + array_filter(['sign' => $note->choice('sign', array_keys(Signs::ACCIDENTALS))]);
            $heard[] = [self::time($note, 'on'), self::time($note, 'off'), $head];
        }
        usort($heard, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
        $placed = [];
        foreach ($heard as $index => [$on, $off, $head]) {
            $begins = max(0, self::nearest($on, self::OFF_BEGIN));
            $next = isset($heard[$index + 1]) ? max(0, self::nearest($heard[$index + 1][0], self::OFF_BEGIN)) : null;
            $legato = $next !== null && $heard[$index + 1][0] - $off <= self::BREATH;
            $ends = $legato ? $next : max(self::nearest($off, self::OFF_END), $begins + self::SHORTEST);
            $last = array_key_last($placed);
            // Two that fall together are one that was touched twice.
            $last !== null && $placed[$last][0] === $begins && array_pop($placed);
            $placed[] = [$begins, $next === null ? $ends : max($begins + self::SHORTEST, min($ends, $next)), $head];
        }

        return $placed;
    }

    private static function time(Entry $note, string $field): float
    {
        $value = $note->all()[$field] ?? null;

        return (is_int($value) || is_float($value)) && abs($value) <= self::MOST_QUARTERS ? (float) $value : throw $note->fault($field);
    }

    /** @return int ticks: an eighth or, where it is farther off than that, a sixteenth */
    private static function nearest(float $quarters, float $off): int
    {
        $eighth = (int) (round($quarters * 2) * Resolution::FINE / 2);

        return abs($quarters - $eighth / Resolution::FINE) <= $off ? $eighth : (int) (round($quarters * 4) * self::SHORTEST);
    }

    /**
     * @param  non-empty-list<array{int, int, array<string, mixed>}>  $notes
     * @return list<array{notes: list<array<string, mixed>>}>
     */
    private static function written(array $notes, int $full): array
    {
        $measures = [];
        $at = 0;
        foreach ($notes as [$begins, $ends, $head]) {
            $at = self::fill($measures, $at, $begins, $full, null);
            $at = self::fill($measures, $at, $ends, $full, $head);
        }
        self::fill($measures, $at, (int) ceil($at / $full) * $full, $full, null);

        return array_map(static fn (array $notes): array => ['notes' => $notes], array_values($measures));
    }

    /**
     * Fills time with a note or rest, tied over barlines and where one value is not enough.
     *
     * @param  array<int, list<array<string, mixed>>>  $measures
     * @param  array<string, mixed>|null  $head  null: a rest
     * @return int where it ends
     */
    private static function fill(array &$measures, int $from, int $to, int $full, ?array $head): int
    {
        while ($from < $to) {
            $measure = intdiv($from, $full);
            $room = min($to, ($measure + 1) * $full) - $from;
            if ($head === null && $room === $full) {
                $measures[$measure][] = ['rest' => true, 'full' => true];
                $from += $full;

                continue;
            }
            [$ticks, $value] = self::longest($room, $from % $full);
            $from += $ticks;
            $measures[$measure][] = $value + ($head === null ? ['rest' => true] : ['heads' => [$head]] + ($from < $to ? ['tie' => true] : []));
        }

        return $from;
    }

    /**
     * The longest value that fits and begins where it may: on a place that its own half divides.
     *
     * @return array{int, array<string, mixed>}
     */
    private static function longest(int $room, int $onset): array
    {
        foreach (self::VALUES as [$type, $dots]) {
            $ticks = (int) (new NoteValue($type, $dots))->ticks(Resolution::FINE);
            $plain = (int) (new NoteValue($type))->ticks(Resolution::FINE);
            if ($ticks <= $room && ($room === $ticks || $onset % max(1, intdiv($plain, 2)) === 0)) {
                return [$ticks, ['as' => (int) array_search($type->value, Signs::VALUES, true)] + ($dots === 0 ? [] : ['dots' => $dots])];
            }
        }

        return [min($room, self::SHORTEST), ['as' => 16]];
    }
}
