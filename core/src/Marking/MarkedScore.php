<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Marking\Kinds\Kinds;
use UprightPencil\Core\Score\Attributes;
use UprightPencil\Core\Score\Direction;
use UprightPencil\Core\Score\DirectionKind;
use UprightPencil\Core\Score\DirectionSign;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Score\Verbatim;

/** A score with its written marks as part of the notes, ready for any format. */
final class MarkedScore
{
    private const NOT_PLAYED = 'not played';

    private const PLAYED_AGAIN = 'play';

    /**
     * @param  list<MarkedPart>  $marked  parts that are not among them stay as they are
     * @param  bool  $proposals  false: only what somebody decided
     */
    public static function of(Score $score, array $marked, bool $proposals = true): Score
    {
        $byId = [];
        foreach ($marked as $part) {
            $byId[$part->part->id] = $part;
        }

        return $score->with(parts: array_map(
            static fn (Part $part): Part => isset($byId[$part->id]) ? self::part($byId[$part->id], $proposals) : $part,
            $score->parts,
        ));
    }

    private static function part(MarkedPart $marked, bool $proposals): Part
    {
        $page = new MarkedPage($marked);
        $written = $proposals ? null : self::decided($page);

        $cuts = self::cuts($marked);

        return $marked->written->with(measures: array_map(
            static fn (Measure $measure, int $index): Measure => $measure->with(items: self::said($cuts[$index] ?? null, self::items($measure, $page, $written))),
            $marked->written->measures,
            array_keys($marked->written->measures),
        ));
    }

    /**
     * What is not played stays in the file, and where it begins and ends is said over it: MusicXML has no sign for a cut.
     *
     * @return array<int, Direction> by measure
     */
    private static function cuts(MarkedPart $marked): array
    {
        $silent = array_fill_keys($marked->silent(), true);
        $said = [];
        foreach ($marked->written->measures as $index => $measure) {
            $words = match (true) {
                isset($silent[$index]) && ! isset($silent[$index - 1]) => self::NOT_PLAYED,
                ! isset($silent[$index]) && isset($silent[$index - 1]) => self::PLAYED_AGAIN,
                default => null,
            };
            $words === null || $said[$index] = new Direction(0, [new DirectionSign(DirectionKind::Words, $words)], placement: 'above');
        }

        return $said;
    }

    /**
     * Before the first note, and after the clef and key of the measure.
     *
     * @param  list<Note|Direction|Attributes|Verbatim>  $items
     * @return list<Note|Direction|Attributes|Verbatim>
     */
    private static function said(?Direction $words, array $items): array
    {
        $first = 0;
        while ($words !== null && isset($items[$first]) && ! $items[$first] instanceof Note) {
            $first++;
        }

        return $words === null ? $items : [...array_slice($items, 0, $first), $words, ...array_slice($items, $first)];
    }

    /**
     * Marks that somebody decided, with the notes at which they begin and end.
     *
     * @return array<string, true> by note and kind
     */
    private static function decided(MarkedPage $page): array
    {
        $decided = [];
        foreach ($page->marks() as $mark) {
            foreach ($mark->decided ? [$mark->note->note->id, $mark->from, $mark->to] : [] as $note) {
                $decided["{$note} {$mark->kind->name()}"] = true;
            }
        }

        return $decided;
    }

    /**
     * @param  array<string, true>|null  $written  by note and kind; null: all that is worked out
     * @return list<Note|Direction|Attributes|Verbatim>
     */
    private static function items(Measure $measure, MarkedPage $page, ?array $written): array
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
                $isWritten = $written === null || ! $kind->isProposed() || isset($written["{$item->id} {$kind->name()}"]);
                ! $isWritten || ($noBow && $kind->isSignOfTheBow()) || $kind->write($edit, $page->notes[$item->id], $page);
            }
            array_push($items, ...$edit->items());
        }

        return $items;
    }
}
