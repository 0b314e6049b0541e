<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Rules;

use UprightPencil\Core\Bowing\Marks\BowAction;

/** A slur contains a shift. */
final class SlurOverShift implements BowingRule
{
    public function code(): string
    {
        return 'slur-over-shift';
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
        foreach ($case->line->strokes as $stroke) {
            $event = $case->load->shift($stroke);
            if ($event !== null) {
                $findings[] = new BowingFinding(
                    $this->code(),
                    $event,
                    sprintf('The hand shifts inside the slur, to %s; a change of bow there hides it.', $case->place($event)),
                    1.0,
                    [
                        BowingFix::act(BowAction::Split, [$event->first()->id]),
                        BowingFix::act(BowAction::Strike, [$event->first()->id]),
                    ],
                );
            }
        }

        return $findings;
    }
}
