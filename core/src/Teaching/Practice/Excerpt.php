<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Practice;

use UprightPencil\Core\Score\Attributes;
use UprightPencil\Core\Score\Clef;
use UprightPencil\Core\Score\Direction;
use UprightPencil\Core\Score\DirectionKind;
use UprightPencil\Core\Score\DirectionSign;
use UprightPencil\Core\Score\Key;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Meter;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Span;

/** Some measures of a part by themselves: in their clef and key, without what begins or ends outside of them. */
final class Excerpt
{
    /**
     * @param  int  $from  first measure, counted from 0
     * @return list<Measure>
     */
    public static function of(Part $part, int $from, int $to): array
    {
        $start = $part->measures[$from]->start;
        $measures = [];
        foreach (array_slice($part->measures, $from, $to - $from + 1) as $measure) {
            $items = array_values(array_filter(array_map(self::item(...), $measure->items)));
            $measures[] = $measure->with(start: $measure->start - $start, items: $items, barlines: []);
        }
        $measures[0] = self::headed($measures[0], self::clefBefore($part, $from));

        return self::closed($measures);
    }

    private static function item(object $item): Note|Direction|Attributes|null
    {
        if ($item instanceof Direction) {
            $tempo = isset($item->sound['tempo']) || $item->has(DirectionKind::Metronome);
            $signs = array_values(array_filter($item->signs, static fn (DirectionSign $sign): bool => in_array($sign->kind, [DirectionKind::Words, DirectionKind::Dynamics], true)));

            return $tempo || $signs === [] ? null : $item->with(signs: $signs, sound: array_intersect_key($item->sound, ['pizzicato' => 1]));
        }

        return $item instanceof Note || $item instanceof Attributes ? $item : null;
    }

    private static function clefBefore(Part $part, int $from): ?Clef
    {
        $clef = null;
        foreach (array_slice($part->measures, 0, $from + 1) as $index => $measure) {
            foreach ($measure->attributes() as $attributes) {
                $clef = $index < $from || $attributes->onset === 0 ? $attributes->clefs[0] ?? $clef : $clef;
            }
        }

        return $clef;
    }

    private static function headed(Measure $measure, ?Clef $clef): Measure
    {
        $rest = array_values(array_filter($measure->items, static fn (object $item): bool => ! $item instanceof Attributes || $item->onset > 0));
        $head = new Attributes(0, $measure->key ?? new Key(0), $measure->meter ?? Meter::of(4, 4), $clef === null ? [] : [$clef], $measure->attributes()[0]->transposition ?? null);

        return $measure->with(items: [$head, ...$rest]);
    }

    /**
     * Ties and slurs that reach in or out are cut off.
     *
     * @param  list<Measure>  $measures
     * @return list<Measure>
     */
    private static function closed(array $measures): array
    {
        $notes = array_merge(...array_map(static fn (Measure $measure): array => $measure->notes(), $measures));
        $slurs = self::whole($notes);
        $heads = array_values(array_filter($notes, static fn (Note $note): bool => $note->sounds()));
        $first = $heads[0] ?? null;
        $last = $heads[count($heads) - 1] ?? null;

        return array_map(static fn (Measure $measure): Measure => $measure->with(items: array_map(static function (object $item) use ($slurs, $first, $last): object {
            if (! $item instanceof Note) {
                return $item;
            }

            return $item->with(tieStop: $item->tieStop && $item->id !== $first?->id, tieStart: $item->tieStart && $item->id !== $last?->id, slurs: array_values(array_filter($item->slurs, static fn (Span $slur): bool => isset($slurs["{$item->id} {$slur->type} {$slur->number}"]))));
        }, $measure->items)), $measures);
    }

    /**
     * @param  list<Note>  $notes
     * @return array<string, true> ends of slurs whose other end is here too
     */
    private static function whole(array $notes): array
    {
        $open = $whole = [];
        foreach ($notes as $note) {
            foreach ($note->slurs as $slur) {
                if ($slur->type === 'start') {
                    $open[$slur->number] = $note->id;
                } elseif ($slur->type === 'stop' && isset($open[$slur->number])) {
                    $whole["{$open[$slur->number]} start {$slur->number}"] = $whole["{$note->id} stop {$slur->number}"] = true;
                    unset($open[$slur->number]);
                }
            }
        }

        return $whole;
    }
}
