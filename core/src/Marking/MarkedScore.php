<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Bowing\BowAction;
use UprightPencil\Core\Bowing\PrintedBows;
use UprightPencil\Core\Score\Articulation;
use UprightPencil\Core\Score\Attributes;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\Direction;
use UprightPencil\Core\Score\DirectionKind;
use UprightPencil\Core\Score\DirectionSign;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Score\Span;
use UprightPencil\Core\Score\Technical;
use UprightPencil\Core\Score\Verbatim;
use UprightPencil\Core\Strings\Placement;

/** A score with its written marks as part of the notes, ready for any format. */
final class MarkedScore
{
    /** Printed slurs rarely reach this number, so a pencilled one does not meet them. */
    private const HOOK_SLUR = 16;

    private const PENCIL_SLUR = 15;

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
            static fn (Part $part): Part => isset($byId[$part->id]) ? self::part($part, $byId[$part->id]) : $part,
            $score->parts,
        ));
    }

    private static function part(Part $part, MarkedPart $marked): Part
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
        $slurs = SlurMarks::of($marked);
        $measures = [];
        foreach ($part->measures as $measure) {
            $measures[] = $measure->with(items: self::items($measure, $marks, $hookStarts, $slurs, self::wordsIn($measure, $marks)));
        }

        return $part->with(measures: $measures);
    }

    /**
     * @param  array<string, NoteMark>  $marks
     * @param  array<string, true>  $hookStarts
     * @param  array<string, list<Direction>>  $words  note id => what stands before it
     * @return list<Note|Direction|Attributes|Verbatim>
     */
    private static function items(Measure $measure, array $marks, array $hookStarts, SlurMarks $slurs, array $words): array
    {
        $items = [];
        foreach ($measure->items as $item) {
            if (! $item instanceof Note || ! isset($marks[$item->id])) {
                $items[] = $item;

                continue;
            }
            array_push($items, ...$words[$item->id] ?? []);
            $items[] = self::note($item, $marks[$item->id], isset($hookStarts[$item->id]), $slurs);
        }

        return $items;
    }

    /**
     * What MusicXML has no sign for goes out as words: changes inside a held note, retakes without a rest, places of the
     * bow, staggered changes.
     *
     * @param  array<string, NoteMark>  $marks
     * @return array<string, list<Direction>>
     */
    private static function wordsIn(Measure $measure, array $marks): array
    {
        $words = [];
        foreach ($measure->notes() as $note) {
            $mark = $marks[$note->id] ?? null;
            if ($mark === null || $note->chord) {
                continue;
            }
            $stagger = $mark->stagger === [] ? null : self::staggerWords($mark->stagger);
            $said = array_filter([
                $mark->bowAction === BowAction::Retake && ! self::isSaid($measure, $note, 'retake') ? 'retake' : null,
                $mark->place !== null && ! self::isSaid($measure, $note, $mark->place->value) ? $mark->place->value : null,
                $mark->strokeType !== null && ! self::isSaid($measure, $note, $mark->strokeType->value) ? $mark->strokeType->value : null,
                $stagger !== null && ! self::isSaid($measure, $note, $stagger) ? $stagger : null,
                ...self::handWords($measure, $note, $mark),
            ]);
            foreach ($said as $text) {
                $words[$note->id][] = new Direction($note->onset, [new DirectionSign(DirectionKind::Words, $text)], placement: 'above');
            }
            foreach ($mark->changes as $change) {
                $offset = $change['tick'] - $measure->start - $note->onset;
                if ($offset > 0 && ! self::isSaidAt($measure, $note->onset + $offset, 'change bow')) {
                    $words[$note->id][] = new Direction($note->onset, [new DirectionSign(DirectionKind::Words, 'change bow')], $offset, 'above');
                }
            }
        }

        return $words;
    }

    /** @return list<string> what the hand does that no sign says */
    private static function handWords(Measure $measure, Note $note, NoteMark $mark): array
    {
        $position = $mark->moves && $mark->fingerMark && $mark->fingering !== null ? $mark->style->position($mark->fingering) : null;
        $words = array_filter([
            $position === null ? null : "position {$position}",
            $mark->slide === null || ! $mark->fingerMark ? null : 'slide',
            $mark->bar === null ? null : 'bar',
            $mark->stay === null ? null : 'stay down',
        ]);

        return array_values(array_filter($words, static fn (string $words): bool => ! self::isSaid($measure, $note, $words)));
    }

    private static function isSaid(Measure $measure, Note $note, string $words): bool
    {
        return self::isSaidAt($measure, $note->onset, $words);
    }

    private static function isSaidAt(Measure $measure, int $onset, string $words): bool
    {
        foreach ($measure->directions() as $direction) {
            if ($direction->time() === $onset && $direction->words() === mb_strtolower($words)) {
                return true;
            }
        }

        return false;
    }

    /** @param list<list<array{measure: string, beat: float, tick: int}>> $stagger */
    private static function staggerWords(array $stagger): string
    {
        $players = [];
        foreach ($stagger as $index => $changes) {
            $name = count($stagger) === 2 ? ['outside', 'inside'][$index] : 'desk '.($index + 1);
            $players[] = $name.' '.implode(' ', array_map(static fn (array $change): string => "{$change['measure']}:{$change['beat']}", $changes));
        }

        return PrintedBows::STAGGER.implode(', ', $players);
    }

    private static function note(Note $note, NoteMark $mark, bool $startsHook, SlurMarks $marks): Note
    {
        $slurs = self::slurs($note, $marks);
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

    /**
     * The printed slurs without those that are struck, and the pencilled ones.
     *
     * @return list<Span>
     */
    private static function slurs(Note $note, SlurMarks $marks): array
    {
        $starts = isset($marks->struck[$note->id]);
        $ends = in_array($note->id, $marks->struck, true);
        $slurs = array_values(array_filter($note->slurs, static fn (Span $span): bool => ! ($starts && $span->type === 'start') && ! ($ends && $span->type === 'stop')));
        if (in_array($note->id, $marks->added, true)) {
            array_unshift($slurs, new Span('stop', self::PENCIL_SLUR));
        }
        if (isset($marks->added[$note->id])) {
            $slurs[] = new Span('start', self::PENCIL_SLUR);
        }

        return $slurs;
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
            self::bow($printed, $mark),
            $writes && $mark->fingering->choice ? '0 4' : ($finger > 0 ? (string) $finger : ($writes ? null : $printed->finger)),
            $string,
            $writes ? $finger === 0 && ! $mark->fingering->choice : $printed->open,
            $printed->harmonic || ($writes && $stop->placement === Placement::Harmonic),
            $printed->other,
        );
    }

    /** A change of bow that falls on a note which is held over is written there as a sign. */
    private static function bow(Technical $printed, NoteMark $mark): ?BowSign
    {
        if (in_array('bowMark', $mark->decided, true) && ! $mark->bowMark) {
            return null;
        }
        $changes = $mark->bowAction === BowAction::Change && $mark->note->tieStop && $mark->changes === [];

        return $mark->bowMark || $changes ? $mark->direction : $printed->bow;
    }
}
