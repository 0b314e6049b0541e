<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Rules;

use UprightPencil\Core\Score\BowSign;

/** A pickup starts down though the next strong beat wants down. */
final class PickupDown implements BowingRule
{
    public function code(): string
    {
        return 'pickup-down';
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
            $this->code(),
            $pickup,
            "The pickup starts down-bow, so measure {$measure} starts up-bow; start it up-bow.",
            2.0,
            [BowingFix::turn('start', $pickup->first()->id, BowSign::Up)],
        );
    }
}
