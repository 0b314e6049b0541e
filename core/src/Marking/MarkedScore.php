<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Bowing\BowAction;
use UprightPencil\Core\Score\Articulation;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Score\Span;
use UprightPencil\Core\Score\Technical;

/** A score with its written marks as part of the notes, ready for any format. */
final class MarkedScore
{
    /** Printed slurs rarely reach this number, so a pencilled one does not meet them. */
    private const HOOK_SLUR = 16;

    /**
     * @param  list<MarkedPart>  $marked  parts that are not among them stay as they are
     * @param  array<string, PartDecisions>  $decisions  by part id
     */
    public static function of(Score $score, array $marked, array $decisions): Score
    {
        $byId = [];
        foreach ($marked as $part) {
            $byId[$part->part->id] = $part;
        }

        return $score->with(parts: array_map(
            static fn (Part $part): Part => isset($byId[$part->id]) ? self::part($part, $byId[$part->id], $decisions[$part->id] ?? null) : $part,
            $score->parts,
        ));
    }

    private static function part(Part $part, MarkedPart $marked, ?PartDecisions $decisions): Part
    {
        $marks = [];
        $hookStarts = [];
        $last = [];
        foreach ($marked->notes as $mark) {
            $marks[$mark->note->id] = $mark;
            if ($mark->stroke !== null) {
                $isNewHook = $mark->bowAction === BowAction::Hook && ! self::isUnderSlur($mark->note) && isset($last[$mark->stroke - 1]);
                if ($isNewHook && ! $mark->note->chord) {
                    $hookStarts[$last[$mark->stroke - 1]] = true;
                }
                $last[$mark->stroke] = $mark->note->chord ? $last[$mark->stroke] ?? $mark->note->id : $mark->note->id;
            }
        }
        $measures = [];
        foreach ($part->measures as $index => $measure) {
            $measures[] = self::measure($measure, $marks, $hookStarts, isset($decisions?->struck[$index]));
        }

        return $part->with(measures: $measures);
    }

    /**
     * @param  array<string, NoteMark>  $marks
     * @param  array<string, true>  $hookStarts
     */
    private static function measure(Measure $measure, array $marks, array $hookStarts, bool $struck): Measure
    {
        return $measure->with(items: array_map(static function (object $item) use ($marks, $hookStarts, $struck): object {
            if (! $item instanceof Note) {
                return $item;
            }
            $note = $struck ? $item->with(slurs: []) : $item;

            return isset($marks[$item->id]) ? self::note($note, $marks[$item->id], isset($hookStarts[$item->id])) : $note;
        }, $measure->items));
    }

    private static function note(Note $note, NoteMark $mark, bool $startsHook): Note
    {
        $slurs = $note->slurs;
        $articulations = $note->articulations;
        if ($mark->bowAction === BowAction::Hook && ! $note->chord && ! self::isUnderSlur($note)) {
            array_unshift($slurs, new Span('stop', self::HOOK_SLUR));
        }
        if ($startsHook) {
            $slurs[] = new Span('start', self::HOOK_SLUR);
            if (! $note->has(Articulation::Staccato)) {
                $articulations[] = Articulation::Staccato;
            }
        }

        return $note->with(slurs: $slurs, articulations: $articulations, technical: self::technical($note->technical, $mark));
    }

    /** A printed slur that ends here already says that the direction goes on. */
    private static function isUnderSlur(Note $note): bool
    {
        foreach ($note->slurs as $slur) {
            if ($slur->type === 'stop') {
                return true;
            }
        }

        return false;
    }

    private static function technical(Technical $printed, NoteMark $mark): Technical
    {
        $stop = $mark->fingering?->stop;
        $writes = $mark->fingerMark && $stop !== null;
        $finger = $writes ? $mark->impossible->finger ?? $stop->finger : -1;
        $string = $writes && (in_array('string', $mark->decided, true) || $mark->fingering->position > 1) ? 4 - $stop->string : $printed->string;

        return new Technical(
            $mark->bowMark ? $mark->direction : $printed->bow,
            $finger > 0 ? (string) $finger : ($writes ? null : $printed->finger),
            $string,
            $writes ? $finger === 0 : $printed->open,
            $printed->harmonic,
            $printed->other,
        );
    }
}
