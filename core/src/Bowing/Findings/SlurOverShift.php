<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Findings;

use UprightPencil\Core\Bowing\BowAction;
use UprightPencil\Core\Bowing\BowingCase;
use UprightPencil\Core\Bowing\BowingFinding;
use UprightPencil\Core\Bowing\BowingFix;
use UprightPencil\Core\Bowing\BowingRule;

/** A slur contains a shift. */
final class SlurOverShift implements BowingRule
{
    public function find(BowingCase $case): array
    {
        $findings = [];
        foreach ($case->line->strokes as $stroke) {
            $event = $case->load->shift($stroke);
            if ($event !== null) {
                $findings[] = new BowingFinding(
                    'slur-over-shift',
                    $event,
                    sprintf('The hand shifts inside the slur, to %s; change the bow there and the shift is not heard.', $case->place($event)),
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
