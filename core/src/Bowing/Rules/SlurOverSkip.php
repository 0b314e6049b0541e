<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Rules;

use UprightPencil\Core\Bowing\Marks\BowAction;

/** A slur skips a string. */
final class SlurOverSkip implements BowingRule
{
    public function code(): string
    {
        return 'slur-over-skip';
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
            $event = $case->load->skip($stroke);
            if ($event !== null) {
                $findings[] = new BowingFinding(
                    $this->code(),
                    $event,
                    sprintf('The slur skips a string, to %s; change the bow there or leave the slur out.', $case->place($event)),
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
