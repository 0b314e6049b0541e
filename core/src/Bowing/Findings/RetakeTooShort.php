<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Findings;

use UprightPencil\Core\Bowing\BowAction;
use UprightPencil\Core\Bowing\BowingCase;
use UprightPencil\Core\Bowing\BowingFinding;
use UprightPencil\Core\Bowing\BowingFix;
use UprightPencil\Core\Bowing\BowingRule;
use UprightPencil\Core\Bowing\TravelledStroke;

/** A retake or lift with less time than this class needs for the way that the bow has to go in the air. */
final class RetakeTooShort implements BowingRule
{
    /** A class gets through with a little less time than it should have. */
    private const TOLERANCE = 0.85;

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
        $there = $stroke->gap > 0 ? $case->need->gapSeconds($stroke) : $case->need->seconds($case->line->strokes[$before->bowed->stroke]) / 3;
        if ($there >= self::TOLERANCE * $needed) {
            return null;
        }
        $id = $stroke->first()->first()->id;
        $word = $lifts ? 'lift' : 'retake';
        $fixes = [BowingFix::sign('alternate', $id, $before->bowed->direction->other(), 0.8)];
        if ($stroke->gap === 0) {
            array_unshift($fixes, BowingFix::action(BowAction::Hook, $case->hookNotes($after->bowed->stroke), 0.7));
        }

        return new BowingFinding(
            'retake-too-short',
            $stroke->first(),
            sprintf('The %s before %s has %.2f seconds; this class needs %.2f.', $word, $case->place($stroke->first()), $there, $needed),
            2.5,
            $fixes,
        );
    }
}
