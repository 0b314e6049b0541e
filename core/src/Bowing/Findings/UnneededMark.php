<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Findings;

use UprightPencil\Core\Bowing\BowingCase;
use UprightPencil\Core\Bowing\BowingFinding;
use UprightPencil\Core\Bowing\BowingFix;
use UprightPencil\Core\Bowing\BowingRule;

/** A mark says what would come anyway, twice in two measures. */
final class UnneededMark implements BowingRule
{
    private const WITHIN_MEASURES = 1;

    public function find(BowingCase $case): array
    {
        $findings = [];
        $last = $told = null;
        foreach ($case->line->played as $bowed) {
            $stroke = $case->line->strokes[$bowed->stroke];
            $id = $stroke->id();
            $marked = $id !== null && isset($case->fixed->directions[$id]);
            $saysNothing = $marked && $bowed->before !== null && $bowed->direction === $bowed->before->other() && ! $bowed->jumped && $stroke->gap === 0;
            if (! $saysNothing) {
                continue;
            }
            $measure = $stroke->first()->measure;
            if ($last !== null && $measure - $last <= self::WITHIN_MEASURES && $measure >= $last && ($told === null || $measure - $told > self::WITHIN_MEASURES) && ! isset($findings[$bowed->stroke])) {
                $told = $measure;
                $findings[$bowed->stroke] = new BowingFinding(
                    'unneeded-mark',
                    $stroke->first(),
                    "The {$bowed->direction->value}-bow sign at {$case->place($stroke->first())} says what comes anyway, as the one before it does.",
                    0.4,
                    [new BowingFix('unmark', [$id], 0.1, [['note' => $id, 'direction' => null, 'bowMark' => false]])],
                );
            }
            $last = $measure;
        }

        return array_values($findings);
    }
}
