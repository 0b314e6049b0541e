<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Dividing;

use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;

/** A part without the notes that are left to others: of a chord the own head leads, and a voice that is silent is gone. */
final class OwnNotes
{
    /** @param array<string, true> $others ids of notes that are left out */
    public static function of(Part $part, array $others): Part
    {
        return $others === [] ? $part : $part->with(measures: array_map(static fn (Measure $measure): Measure => self::measure($measure, $others), $part->measures));
    }

    /** @param array<string, true> $others */
    private static function measure(Measure $measure, array $others): Measure
    {
        $gone = array_filter($measure->notes(), static fn (Note $note): bool => isset($others[$note->id]));
        if ($gone === []) {
            return $measure;
        }
        // Voices of which nothing sounds any more; their rests go too.
        $sounding = [];
        foreach ($measure->notes() as $note) {
            $note->sounds() && ! isset($others[$note->id]) && $sounding[$note->line()] = true;
        }
        $slurs = $leads = [];
        foreach ($measure->notes() as $note) {
            // Slurs and articulations stand at the head that leads; they are the chord's.
            $leads[$note->line()] = $note->chord ? $leads[$note->line()] ?? $note : $note;
            $slurs[$note->id] = $leads[$note->line()];
        }
        $items = [];
        $open = [];
        foreach ($measure->items as $item) {
            if (! $item instanceof Note) {
                $items[] = $item;

                continue;
            }
            if (isset($others[$item->id]) || ($sounding !== [] && ! isset($sounding[$item->line()]))) {
                continue;
            }
            $leading = $slurs[$item->id];
            $key = "{$item->line()} {$item->onset} ".(int) $item->grace;
            $items[] = $item->chord && ! isset($open[$key])
                ? $item->with(chord: false, slurs: $leading->slurs, articulations: $leading->articulations, tuplets: $leading->tuplets, kept: $item->kept + array_intersect_key($leading->kept, ['beam' => 1]))
                : $item;
            $open[$key] = true;
        }

        return $measure->with(items: $items);
    }
}
