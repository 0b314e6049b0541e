<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Abc;

use UprightPencil\Core\Score\Attributes;
use UprightPencil\Core\Score\Clef;
use UprightPencil\Core\Score\Direction;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Note;

/** Voices that share a staff, or the two staves of one player, laid over each other measure by measure. */
final class OnePart
{
    /** Voices of the staff below are numbered from 5 on, as is the custom. */
    private const A_STAFF = 4;

    /**
     * @param  non-empty-list<array{int, list<Measure>}>  $voices  the staff of each, counted from 1, and its measures
     * @return list<Measure>
     */
    public static function of(array $voices): array
    {
        $staves = max(array_column($voices, 0));
        if (count($voices) === 1) {
            return $voices[0][1];
        }
        $onStaff = array_count_values(array_column($voices, 0));
        $places = [];
        foreach ($voices as $number => [$staff]) {
            $places[$number] = count(array_filter(array_slice($voices, 0, $number), static fn (array $voice): bool => $voice[0] === $staff));
        }
        $measures = [];
        $start = 0;
        $count = max(array_map(static fn (array $voice): int => count($voice[1]), $voices));
        for ($index = 0; $index < $count; $index++) {
            $own = array_filter(array_map(static fn (array $voice): ?Measure => $voice[1][$index] ?? null, $voices));
            $first = $own[(int) array_key_first($own)];
            $items = [];
            foreach ($own as $number => $measure) {
                $isFirst = $measure === $first;
                $staff = $voices[$number][0];
                $named = static fn (?string $layer): string => (string) (self::A_STAFF * ($staff - 1) + 1 + $places[$number] + $onStaff[$staff] * ((int) $layer - 1));
                array_push($items, ...self::items($measure, $named, $staves === 1 ? null : $staff, $isFirst, $index === 0 && $isFirst ? $staves : 1));
            }
            $length = max(0, ...array_map(static fn (Measure $measure): int => $measure->length, array_values($own)));
            $measures[] = $first->with(start: $start, length: $length, items: $items);
            $start += $length;
        }

        return $measures;
    }

    /**
     * @param  \Closure(string|null): string  $named  the name that a layer of this voice has in the part
     * @return list<Note|Direction|Attributes>
     */
    private static function items(Measure $measure, \Closure $named, ?int $staff, bool $isFirst, int $staves): array
    {
        $items = [];
        foreach ($measure->items as $item) {
            if ($item instanceof Note) {
                $items[] = $item->with(voice: $named($item->voice), staff: $staff);
            } elseif ($item instanceof Attributes) {
                $clefs = array_map(static fn (Clef $clef): Clef => new Clef($clef->sign, $clef->line, $clef->octave, $staff ?? 1), $item->clefs);
                $own = $isFirst ? $item->with(clefs: $clefs, staves: $staves > 1 ? $staves : null) : new Attributes($item->onset, clefs: ($staff ?? 1) > 1 ? $clefs : []);
                $own == new Attributes($item->onset) || $items[] = $own;
            } elseif ($item instanceof Direction) {
                // What the heading says stands over the first voice.
                $isHeading = ! $isFirst && $measure->start === 0 && $item->onset === 0 && $item->sound !== [];
                $isHeading || $items[] = $item->with(staff: $staff);
            }
        }

        return $items;
    }
}
