<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Rules;

use UprightPencil\Core\Bowing\Marks\BowAction;

/** Two strokes go the same way with neither a hook nor a retake nor a rest between them. */
final class SameDirectionUnmarked implements BowingRule
{
    public function code(): string
    {
        return 'same-direction-unmarked';
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
        $findings = [];
        foreach ($case->line->played as $bowed) {
            if (! $bowed->unmarked || isset($findings[$bowed->stroke])) {
                continue;
            }
            $stroke = $case->line->strokes[$bowed->stroke];
            $id = $stroke->first()->first()->id;
            $findings[$bowed->stroke] = new BowingFinding(
                $this->code(),
                $stroke->first(),
                "Two {$bowed->direction->value}-bows follow each other at {$case->place($stroke->first())} without a hook or retake.",
                3.0,
                [
                    BowingFix::act(BowAction::Hook, $case->hookNotes($bowed->stroke)),
                    BowingFix::act(BowAction::Retake, [$id], $bowed->direction),
                    BowingFix::turn('alternate', $id, $bowed->direction->other()),
                ],
            );
        }

        return array_values($findings);
    }
}
