<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Rules;

use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Bowing\Strokes\Phrasing;
use UprightPencil\Core\Bowing\Travel\TravelledStroke;

/** A retake or lift with less time than this class needs for the way that the bow has to go in the air. */
final class RetakeTooShort implements BowingRule
{
    public function code(): string
    {
        return 'retake-too-short';
    }

    public function needsTravel(): bool
    {
        return true;
    }

    public function trial(): Trial
    {
        return Trial::Bowed;
    }

    public function find(BowingCase $case): array
    {
        $findings = [];
        $before = null;
        foreach ($case->travel as $travelled) {
            $action = $travelled->bowed->action;
            if ($before !== null && ($action === BowAction::Retake || $action === BowAction::Lift) && ! $travelled->bowed->jumped) {
                $findings[$travelled->bowed->stroke] ??= $this->finding($case, $before, $travelled);
            }
            $before = $travelled;
        }

        return array_values(array_filter($findings));
    }

    private function finding(BowingCase $case, TravelledStroke $before, TravelledStroke $after): ?BowingFinding
    {
        $stroke = $case->line->strokes[$after->bowed->stroke];
        $lifts = $after->bowed->action === BowAction::Lift;
        $needed = $lifts ? $case->retakeSeconds / 2 : $case->retakeSeconds * max(0.5, abs($after->from - $before->to));
        $there = $stroke->gap > 0 ? $case->need->gapSeconds($stroke) : $case->need->seconds($case->line->strokes[$before->bowed->stroke]) * Phrasing::LIFTED_SHARE;
        if ($there >= Phrasing::ENOUGH * $needed) {
            return null;
        }
        $id = $stroke->first()->first()->id;
        $word = $lifts ? 'lift' : 'retake';
        $fixes = [BowingFix::turn('alternate', $id, $before->bowed->direction->other())];
        if ($stroke->gap === 0) {
            array_unshift($fixes, BowingFix::act(BowAction::Hook, $case->hookNotes($after->bowed->stroke)));
        }

        return new BowingFinding(
            $this->code(),
            $stroke->first(),
            sprintf('The %s before %s has %.2f seconds; this class needs %.2f.', $word, $case->place($stroke->first()), $there, $needed),
            2.5,
            $fixes,
        );
    }
}
