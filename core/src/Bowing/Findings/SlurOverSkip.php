<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Findings;

use UprightPencil\Core\Bowing\BowAction;
use UprightPencil\Core\Bowing\BowingCase;
use UprightPencil\Core\Bowing\BowingFinding;
use UprightPencil\Core\Bowing\BowingFix;
use UprightPencil\Core\Bowing\BowingRule;

/** A slur skips a string. */
final class SlurOverSkip implements BowingRule
{
    public function find(BowingCase $case): array
    {
        $findings = [];
        foreach ($case->line->strokes as $stroke) {
            $event = $case->load->skip($stroke);
            if ($event !== null) {
                $findings[] = new BowingFinding(
                    'slur-over-skip',
                    $event,
                    sprintf('The slur skips a string, to %s; change the bow there or leave the slur out.', $case->place($event)),
                    1.0,
                    [
                        BowingFix::action(BowAction::Split, [$event->first()->id], 1.9),
                        BowingFix::action(BowAction::Strike, [$event->first()->id], 2.6),
                    ],
                );
            }
        }

        return $findings;
    }
}
