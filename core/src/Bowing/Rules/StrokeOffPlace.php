<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Rules;

use UprightPencil\Core\Bowing\Marks\BowAction;

/** A stroke wants a place of the bow (spiccato near the balance point) and the bow is not there. */
final class StrokeOffPlace implements BowingRule
{
    /** This far away the stroke does not work any more, in bows. */
    private const FAR = 0.15;

    public function code(): string
    {
        return 'stroke-off-place';
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
        $off = false;
        foreach ($case->travel as $travelled) {
            $was = $off;
            $named = $travelled->wanted?->named;
            $off = $named !== null && $travelled->off > self::FAR;
            $stroke = $case->line->strokes[$travelled->bowed->stroke];
            if (! $off || $was || $stroke->id() === null) {
                continue;
            }
            $fixes = $stroke->gap > 0 ? [BowingFix::act(BowAction::Retake, [$stroke->id()], $travelled->bowed->direction)] : [];
            $findings[$travelled->bowed->stroke] ??= new BowingFinding(
                $this->code(),
                $stroke->first(),
                "From {$case->place($stroke->first())} this wants {$named->spoken()} of the bow, but the bow is not there.",
                1.2,
                $fixes,
            );
        }

        return array_values($findings);
    }
}
