<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Findings;

use UprightPencil\Core\Bowing\BowingCase;
use UprightPencil\Core\Bowing\BowingFinding;
use UprightPencil\Core\Bowing\BowingFix;
use UprightPencil\Core\Bowing\BowingRule;
use UprightPencil\Core\Score\BowSign;

/** A pickup starts down though the next strong beat wants down. */
final class PickupDown implements BowingRule
{
    public function find(BowingCase $case): array
    {
        $strokes = $case->line->strokes;
        if ($strokes === [] || ! $case->beats->inPickup($strokes[0]->first()) || $case->line->direction(0) !== BowSign::Down) {
            return [];
        }
        foreach ($strokes as $index => $stroke) {
            if ($case->beats->startsMeasure($stroke->onBeat())) {
                return $case->line->direction($index) === BowSign::Up ? [$this->finding($case, $index)] : [];
            }
        }

        return [];
    }

    private function finding(BowingCase $case, int $strong): BowingFinding
    {
        $pickup = $case->line->strokes[0]->first();
        $measure = $case->measureNumber($case->line->strokes[$strong]->first());

        return new BowingFinding(
            'pickup-down',
            $pickup,
            "The pickup starts down-bow, so measure {$measure} starts up-bow; start it up-bow.",
            2.0,
            [BowingFix::sign('start', $pickup->first()->id, BowSign::Up, 0.5)],
        );
    }
}
