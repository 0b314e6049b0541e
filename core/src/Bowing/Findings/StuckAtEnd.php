<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Findings;

use UprightPencil\Core\Bowing\BowAction;
use UprightPencil\Core\Bowing\BowingCase;
use UprightPencil\Core\Bowing\BowingFinding;
use UprightPencil\Core\Bowing\BowingFix;
use UprightPencil\Core\Bowing\BowingRule;
use UprightPencil\Core\Bowing\BowNeed;
use UprightPencil\Core\Bowing\BowTravel;
use UprightPencil\Core\Bowing\TravelledStroke;

/** Uneven strokes walk the bow to one end: a long one after which the short one cannot bring the bow back. */
final class StuckAtEnd implements BowingRule
{
    /** Beyond what the bow may go faster or slower, before a teacher would speak of it. */
    private const TOLERANCE = 1.3;

    /** Strokes shorter than this, in bows, are small anyway. */
    private const SMALL = 0.12;

    /** Findings closer than this many strokes are one figure. */
    private const FIGURE = 8;

    public function find(BowingCase $case): array
    {
        $findings = [];
        $last = -self::FIGURE;
        foreach ($case->travel as $number => $travelled) {
            if ($this->isStuck($travelled) && $number - $last >= self::FIGURE) {
                $finding = $this->finding($case, $number);
                isset($findings[$finding->event->index]) || $findings[$finding->event->index] = $finding;
            }
            $last = $this->isStuck($travelled) ? $number : $last;
        }

        return array_values($findings);
    }

    private function isStuck(TravelledStroke $travelled): bool
    {
        $factor = $travelled->factor();

        return $travelled->need <= BowNeed::MOST && $travelled->need >= self::SMALL
            && ($factor > BowTravel::FASTEST * self::TOLERANCE || $factor < BowTravel::SLOWEST / self::TOLERANCE);
    }

    private function finding(BowingCase $case, int $number): BowingFinding
    {
        $travelled = $case->travel[$number];
        $stroke = $case->line->strokes[$travelled->bowed->stroke];
        $end = max($travelled->from, $travelled->to) > 0.5 ? 'tip' : 'frog';
        [$short, $notes] = $this->shorter($case, $number);
        $fixes = [];
        if ($short !== null && $case->line->strokes[$short]->gap === 0 && count($notes) === 2) {
            $fixes[] = BowingFix::action(BowAction::Hook, $notes, 0.6);
        }
        if ($stroke->gap > 0 && $stroke->id() !== null) {
            $fixes[] = BowingFix::action(BowAction::Retake, [$stroke->id()], 0.8, $travelled->bowed->direction);
        }
        if ($stroke->id() !== null) {
            $fixes[] = new BowingFix('place', [$stroke->id()], 1.0, [['note' => $stroke->id(), 'place' => $end === 'tip' ? 'UH' : 'LH']]);
        }

        return new BowingFinding(
            'stuck-at-end',
            $stroke->first(),
            "Long and short bows walk to the {$end} at {$case->place($stroke->first())}: the short one has to bring back more than it comfortably can.",
            1.8,
            $fixes,
        );
    }

    /**
     * The shorter of two neighbours, which a hook would take into the longer.
     *
     * @return array{int|null, list<string>}
     */
    private function shorter(BowingCase $case, int $number): array
    {
        foreach ([$number, $number + 1] as $candidate) {
            $here = $case->travel[$candidate] ?? null;
            $before = $case->travel[$candidate - 1] ?? null;
            if ($here !== null && $before !== null && $here->need < 0.6 * $before->need) {
                return [$here->bowed->stroke, $case->hookNotes($here->bowed->stroke)];
            }
        }

        return [null, []];
    }
}
