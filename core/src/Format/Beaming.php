<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format;

use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\NoteType;

/** Beams over notes that stand together. Whoever reads them leaves an empty beam on a note that joins the one before it. */
final class Beaming
{
    /**
     * @param  list<Measure>  $measures
     * @return list<Measure>
     */
    public static function over(array $measures): array
    {
        return array_map(static fn (Measure $measure): Measure => $measure->with(items: self::items($measure->items)), $measures);
    }

    /**
     * @template T of object
     *
     * @param  array<int, T>  $items
     * @return list<T>
     */
    private static function items(array $items): array
    {
        $group = [];
        foreach ($items as $place => $item) {
            if (! $item instanceof Note || $item->chord || $item->grace) {
                continue;
            }
            $joins = isset($item->kept['beam']) && self::isShort($item);
            if (! $joins) {
                $items = self::beamed($items, $group);
                $group = [];
            }
            $items[$place] = $item->with(kept: array_diff_key($item->kept, ['beam' => 1]));
            if (self::isShort($item)) {
                $group[] = $place;
            }
        }

        return self::beamed($items, $group);
    }

    private static function isShort(Note $note): bool
    {
        return ! $note->rest && $note->value !== null && $note->value->type->perMaxima() >= NoteType::Eighth->perMaxima();
    }

    /**
     * @template T of object
     *
     * @param  array<int, T>  $items
     * @param  list<int>  $group  places of the notes under one beam
     * @return list<T>
     */
    private static function beamed(array $items, array $group): array
    {
        foreach (count($group) < 2 ? [] : $group as $index => $place) {
            $note = $items[$place];
            if ($note instanceof Note) {
                $type = $index === 0 ? 'begin' : ($index === count($group) - 1 ? 'end' : 'continue');
                $items[$place] = $note->with(kept: [...$note->kept, 'beam' => "<beam number=\"1\">{$type}</beam>"]);
            }
        }

        return array_values($items);
    }
}
