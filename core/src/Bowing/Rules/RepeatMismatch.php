<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Rules;

use UprightPencil\Core\Bowing\Marks\BowAction;

/** One written note gets two directions on two passes. Reported once for each run of such notes. */
final class RepeatMismatch implements BowingRule
{
    public function code(): string
    {
        return 'repeat-mismatch';
    }

    public function needsTravel(): bool
    {
        return false;
    }

    public function trial(): Trial
    {
        return Trial::Certain;
    }

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
            $this->code(),
            $event,
            "From {$case->place($event)} the bow comes {$first->value} the first time and {$first->other()->value} when it comes back.",
            2.0,
            [BowingFix::act(BowAction::Retake, [$event->first()->id], $first)],
        );
    }
}
