<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Rules;

use UprightPencil\Core\Bowing\Marks\Prices;
use UprightPencil\Core\Bowing\Marks\Turn;

/** A mark says what would come anyway, twice in two measures. */
final class UnneededMark implements BowingRule
{
    private const WITHIN_MEASURES = 1;

    public function code(): string
    {
        return 'unneeded-mark';
    }

    public function needsTravel(): bool
    {
        return false;
    }

    public function trial(): Trial
    {
        return Trial::Certain;
    }

    public function find(BowingCase $case): array
    {
        $findings = [];
        $last = $told = null;
        $given = $case->fixed->given();
        foreach ($case->line->played as $bowed) {
            $stroke = $case->line->strokes[$bowed->stroke];
            $id = $stroke->id();
            $marked = $id !== null && isset($given[$id]);
            $saysNothing = $marked && $bowed->before !== null && $bowed->direction === $bowed->before->other() && ! $bowed->jumped && $stroke->gap === 0;
            if (! $saysNothing) {
                continue;
            }
            $measure = $stroke->first()->measure;
            if ($last !== null && $measure - $last <= self::WITHIN_MEASURES && $measure >= $last && ($told === null || $measure - $told > self::WITHIN_MEASURES) && ! isset($findings[$bowed->stroke])) {
                $told = $measure;
                $findings[$bowed->stroke] = new BowingFinding(
                    $this->code(),
                    $stroke->first(),
                    "The {$bowed->direction->value}-bow sign at {$case->place($stroke->first())} says what comes anyway, as the one before it does.",
                    0.4,
                    [new BowingFix('unmark', [$id], Prices::UNMARK, [Turn::unmarked($id)])],
                );
            }
            $last = $measure;
        }

        return array_values($findings);
    }
}
