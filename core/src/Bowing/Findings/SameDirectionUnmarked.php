<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Findings;

use UprightPencil\Core\Bowing\BowAction;
use UprightPencil\Core\Bowing\BowingCase;
use UprightPencil\Core\Bowing\BowingFinding;
use UprightPencil\Core\Bowing\BowingFix;
use UprightPencil\Core\Bowing\BowingRule;

/** Two strokes go the same way with neither a hook nor a retake nor a rest between them. */
final class SameDirectionUnmarked implements BowingRule
{
    public function find(BowingCase $case): array
    {
        $findings = [];
        foreach ($case->line->played as $bowed) {
            if (! $bowed->unmarked || isset($findings[$bowed->stroke])) {
                continue;
            }
            $stroke = $case->line->strokes[$bowed->stroke];
            $id = $stroke->first()->first()->id;
            $findings[$bowed->stroke] = new BowingFinding(
                'same-direction-unmarked',
                $stroke->first(),
                "Two {$bowed->direction->value}-bows follow each other at {$case->place($stroke->first())} with nothing to say how: hook them, retake, or turn the second.",
                3.0,
                [
                    BowingFix::action(BowAction::Hook, $case->hookNotes($bowed->stroke), 1.0),
                    BowingFix::action(BowAction::Retake, [$id], 1.2, $bowed->direction),
                    BowingFix::sign('alternate', $id, $bowed->direction->other(), 1.5),
                ],
            );
        }

        return array_values($findings);
    }
}
