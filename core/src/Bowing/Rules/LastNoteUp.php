<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Rules;

use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Bowing\Strokes\Phrasing;
use UprightPencil\Core\Score\BowSign;

/** A loud long last note on an up-bow, unless a crescendo leads into it. */
final class LastNoteUp implements BowingRule
{
    /** The degree of f. */
    private const LOUD = 4.0;

    /** The crescendo is looked for in so many strokes before it. */
    private const LEADING = 3;

    public function code(): string
    {
        return 'last-note-up';
    }

    public function needsTravel(): bool
    {
        return false;
    }

    public function trial(): Trial
    {
        return Trial::Bowed;
    }

    public function find(BowingCase $case): array
    {
        $index = count($case->line->strokes) - 1;
        $last = $case->line->strokes[$index] ?? null;
        $measures = $case->part->measures;
        $final = $measures[count($measures) - 1];
        $ends = $last !== null && $last->end >= $final->start + $final->length;
        if ($last === null || ! $ends || $last->changed || $last->continues || ! $case->beats->startsMeasure($last->onBeat()) || $case->line->direction($index) !== BowSign::Up || ! $last->isLong($case->beats->resolution) || $case->need->degree($last) < self::LOUD) {
            return [];
        }
        $leading = $case->line->strokes[max(0, $index - self::LEADING)];
        if ($case->need->degree($leading) < $case->need->degree($last)) {
            return [];
        }
        $id = $last->first()->first()->id;
        $phrasing = new Phrasing($case->line->strokes, $case->beats, $case->need, $case->retakeSeconds);
        $fixes = $last->gap > 0 || $phrasing->hasTimeToLift($index) ? [BowingFix::act(BowAction::Retake, [$id], BowSign::Down)] : [];
        if ($index >= 2 && $last->gap === 0 && ! $case->line->strokes[$index - 1]->hooked) {
            $fixes[] = BowingFix::act(BowAction::Hook, $case->hookNotes($index - 1));
        }

        return [new BowingFinding($this->code(), $last->onBeat(), "The loud last note, from {$case->place($last->onBeat())}, comes up-bow.", 1.8, $fixes)];
    }
}
