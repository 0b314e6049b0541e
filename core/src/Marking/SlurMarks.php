<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Bowing\Marks\BowAction;

/**
 * What the pencil does to slurs: printed ones that are struck out, and those that are drawn instead or anew. Read off the
 * strokes: a printed slur whose notes are no longer one stroke is struck, and its pieces are drawn.
 */
final readonly class SlurMarks
{
    /**
     * @param  array<string, string>  $struck  id of the note that a printed slur starts on => id of the note it ends on
     * @param  array<string, string>  $added  the same for pencilled slurs
     */
    private function __construct(
        public array $struck,
        public array $added,
    ) {}

    public static function of(MarkedPart $part): self
    {
        $struck = $added = $open = [];
        $runs = $before = [];
        foreach ($part->notes as $mark) {
            $note = $mark->note;
            if ($note->chord || $note->cue) {
                continue;
            }
            $voice = MarkedPage::voice($mark);
            $last = $before[$voice] ?? null;
            foreach ($open[$voice] ?? [] as $number => $slur) {
                $cut = $last !== null && $mark->bow?->stroke !== $last->bow?->stroke && ! in_array($mark->bow?->action, [BowAction::Hook, BowAction::Change], true);
                $open[$voice][$number] = [$slur[0], $slur[1] || $cut, $cut ? [...$slur[2], $note->id] : $slur[2], $note->id];
            }
            $joins = $last !== null && $mark->bow !== null && $mark->bow->stroke === $last->bow?->stroke && ! $note->tieStop && ! $last->note->grace && ($open[$voice] ?? []) === [];
            if ($joins) {
                $runs[$voice] ??= $last->note->id;
                $added[$runs[$voice]] = $note->id;
            } else {
                unset($runs[$voice]);
            }
            [$open[$voice], $closed] = self::ends($note->slurs, $open[$voice] ?? [], $note->id);
            foreach ($closed as [$start, $isCut, $cuts, $end]) {
                if ($isCut) {
                    $struck[$start] = $end;
                    $added = [...$added, ...self::pieces($part, $voice, $start, $cuts, $end)];
                }
            }
            $before[$voice] = $mark;
        }

        return new self($struck, $added);
    }

    /**
     * @param  list<\UprightPencil\Core\Score\Span>  $spans
     * @param  array<int, array{string, bool, list<string>, string}>  $open
     * @return array{array<int, array{string, bool, list<string>, string}>, list<array{string, bool, list<string>, string}>}
     */
    private static function ends(array $spans, array $open, string $note): array
    {
        $closed = [];
        foreach ($spans as $span) {
            if ($span->type === 'stop' && isset($open[$span->number])) {
                $closed[] = $open[$span->number];
                unset($open[$span->number]);
            }
        }
        foreach ($spans as $span) {
            if ($span->type === 'start') {
                $open[$span->number] = [$note, false, [], $note];
            }
        }

        return [$open, $closed];
    }

    /**
     * The pieces of two or more notes that are left of a struck slur.
     *
     * @param  list<string>  $cuts  ids of the notes that begin a new stroke
     * @return array<string, string>
     */
    private static function pieces(MarkedPart $part, string $voice, string $start, array $cuts, string $end): array
    {
        $pieces = [];
        $inside = false;
        $first = $last = $start;
        foreach ($part->notes as $mark) {
            $id = $mark->note->id;
            $inside = $inside || $id === $start;
            if (! $inside || $mark->note->chord || MarkedPage::voice($mark) !== $voice) {
                continue;
            }
            if (in_array($id, $cuts, true)) {
                $first === $last || $pieces[$first] = $last;
                $first = $id;
            }
            $last = $id;
            if ($id === $end) {
                break;
            }
        }
        $first === $last || $pieces[$first] = $last;

        return $pieces;
    }
}
