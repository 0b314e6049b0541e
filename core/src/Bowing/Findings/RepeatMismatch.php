<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Findings;

use UprightPencil\Core\Bowing\BowAction;
use UprightPencil\Core\Bowing\BowingCase;
use UprightPencil\Core\Bowing\BowingFinding;
use UprightPencil\Core\Bowing\BowingFix;
use UprightPencil\Core\Bowing\BowingRule;

/** One written note gets two directions on two passes. Reported once for each run of such notes. */
final class RepeatMismatch implements BowingRule
{
    public function find(BowingCase $case): array
    {
        $findings = [];
        $inRun = false;
        foreach ($case->line->played as $bowed) {
            $first = $case->line->firstPass[$bowed->stroke];
            $differs = $first->direction !== $bowed->direction;
            if ($differs && (! $inRun || $bowed->jumped)) {
                $findings[$bowed->stroke] ??= $this->finding($case, $bowed->stroke);
            }
            $inRun = $differs;
        }

        return array_values($findings);
    }

    private function finding(BowingCase $case, int $stroke): BowingFinding
    {
        $event = $case->line->strokes[$stroke]->first();
        $first = $case->line->firstPass[$stroke]->direction;

        return new BowingFinding(
            'repeat-mismatch',
            $event,
            "From {$case->place($event)} the bow comes {$first->value} the first time and {$first->other()->value} when it comes back; retake there to play it the same.",
            2.0,
            [BowingFix::action(BowAction::Retake, [$event->first()->id], 0.8, $first)],
        );
    }
}
