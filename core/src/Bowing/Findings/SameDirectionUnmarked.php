<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Findings;

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
        foreach ($case->planned->played as $bowed) {
            if (! $bowed->unmarked || isset($findings[$bowed->stroke])) {
                continue;
            }
            $stroke = $case->planned->strokes[$bowed->stroke];
            $before = $case->planned->strokes[$bowed->stroke - 1] ?? null;
            $id = $stroke->first()->first()->id;
            $hooked = $before === null ? [$id] : [$before->events[count($before->events) - 1]->first()->id, $id];
            $findings[$bowed->stroke] = new BowingFinding(
                'same-direction-unmarked',
                $stroke->first(),
                "Two {$bowed->direction->value}-bows follow each other at {$case->place($stroke->first())} with nothing to say how: hook them, retake, or turn the second.",
                [
                    new BowingFix('hook', $hooked, null, 1.0),
                    new BowingFix('retake', [$id], null, 1.2),
                    new BowingFix('alternate', [$id], $bowed->direction->other(), 1.5),
                ],
            );
        }

        return array_values($findings);
    }
}
