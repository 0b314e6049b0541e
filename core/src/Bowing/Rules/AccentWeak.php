<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Rules;

use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Score\BowSign;

/** An accent or sforzando on a light up-bow near the tip, where a down-bow is near. */
final class AccentWeak implements BowingRule
{
    private const NEAR_THE_TIP = 0.6;

    public function code(): string
    {
        return 'accent-weak';
    }

    public function needsTravel(): bool
    {
        return true;
    }

    public function trial(): Trial
    {
        return Trial::Bowed;
    }

    public function find(BowingCase $case): array
    {
        $findings = [];
        foreach ($case->travel as $travelled) {
            $index = $travelled->bowed->stroke;
            $stroke = $case->line->strokes[$index];
            // An accent off the beat takes the bow that comes; on a strong beat it wants the weight of a down-bow.
            $strength = $case->beats->strength($stroke->onBeat());
            $weak = $travelled->bowed->direction === BowSign::Up && ($strength >= 1.0 || ($strength >= 0.5 && $travelled->from >= self::NEAR_THE_TIP));
            if (! $weak || isset($findings[$index]) || $stroke->changed || ! $case->beats->isAccented($stroke->onBeat())) {
                continue;
            }
            $id = $stroke->first()->first()->id;
            $fixes = match (true) {
                isset($case->fixed->given()[$id]) => [BowingFix::turn('alternate', $id, BowSign::Down)],
                $stroke->gap > 0 => [BowingFix::act(BowAction::Retake, [$id], BowSign::Down)],
                default => [],
            };
            if ($stroke->gap === 0 && $index >= 2 && ! $case->line->strokes[$index - 1]->hooked && $case->line->strokes[$index - 1]->gap === 0) {
                $fixes[] = BowingFix::act(BowAction::Hook, $case->hookNotes($index - 1));
            }
            $findings[$index] = new BowingFinding(
                $this->code(),
                $stroke->onBeat(),
                "The accent at {$case->place($stroke->onBeat())} falls on an up-bow; a down-bow would give it weight.",
                1.5,
                $fixes,
            );
        }

        return array_values($findings);
    }
}
