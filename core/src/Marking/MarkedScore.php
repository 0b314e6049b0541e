<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Marking\Kinds\Kinds;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Score;

/** A score with its written marks as part of the notes, ready for any format. */
final class MarkedScore
{
    /**
     * @param  list<MarkedPart>  $marked  parts that are not among them stay as they are
     */
    public static function of(Score $score, array $marked): Score
    {
        $byId = [];
        foreach ($marked as $part) {
            $byId[$part->part->id] = $part;
        }

        return $score->with(parts: array_map(
            static fn (Part $part): Part => isset($byId[$part->id]) ? self::part($byId[$part->id]) : $part,
            $score->parts,
        ));
    }

    private static function part(MarkedPart $marked): Part
    {
        $page = new MarkedPage($marked);

        return $marked->part->with(measures: array_map(
            static fn (Measure $measure): Measure => $measure->with(items: self::items($measure, $page)),
            $marked->part->measures,
        ));
    }

    /** @return list<Note|\UprightPencil\Core\Score\Direction|\UprightPencil\Core\Score\Attributes|\UprightPencil\Core\Score\Verbatim> */
    private static function items(Measure $measure, MarkedPage $page): array
    {
        $items = [];
        foreach ($measure->items as $item) {
            if (! $item instanceof Note || ! isset($page->notes[$item->id])) {
                $items[] = $item;

                continue;
            }
            $edit = new NoteEdit($item, $measure);
            $noBow = MarkedPage::isBowTakenOff($page->notes[$item->id]);
            foreach (Kinds::all() as $kind) {
                $noBow && $kind->isSignOfTheBow() || $kind->write($edit, $page->notes[$item->id], $page);
            }
            array_push($items, ...$edit->items());
        }

        return $items;
    }
}
