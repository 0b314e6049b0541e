<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Lines;

use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;

/** The repeated pattern that is almost the same: “twice, then …”, where a class plays on as before and is wrong. */
final class Repetition
{
    /** @return list<string> */
    public static function sentences(Part $part): array
    {
        $notes = array_map(static fn (Measure $measure): array => self::notes($measure), $part->measures);
        $sentences = [];
        for ($first = 0, $count = count($notes); $first < $count - 2; $first++) {
            $times = 1;
            while (isset($notes[$first + $times]) && count($notes[$first]) > 1 && $notes[$first + $times] === $notes[$first]) {
                $times++;
            }
            $other = $notes[$first + $times] ?? [];
            $alike = self::alike($notes[$first], $other);
            if ($times > 1 && $alike > 0 && $alike < max(count($other), count($notes[$first])) && 2 * $alike >= count($notes[$first])) {
                $numbers = array_map(static fn (Measure $measure): string => $measure->number, array_slice($part->measures, $first, $times + 1));
                $sentences[] = ['', '', 'Twice', 'Three times', 'Four times'][min($times, 4)].' the same (measures '.implode(', ', array_slice($numbers, 0, $times))."), then measure {$numbers[$times]} begins alike and ends otherwise.";
            }
            $first += $times - 1;
        }

        return $sentences;
    }

    /** @return list<string> what sounds when, and how long */
    private static function notes(Measure $measure): array
    {
        return array_map(static fn (Note $note): string => "{$note->onset} {$note->duration} ".($note->pitch?->name() ?? 'r'), $measure->notes());
    }

    /**
     * @param  list<string>  $these
     * @param  list<string>  $those
     * @return int notes from the beginning that are the same
     */
    private static function alike(array $these, array $those): int
    {
        $alike = 0;
        while (isset($these[$alike], $those[$alike]) && $these[$alike] === $those[$alike]) {
            $alike++;
        }

        return $alike;
    }
}
