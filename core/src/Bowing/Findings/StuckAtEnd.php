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
use UprightPencil\Core\Score\BowSign;

/** Uneven strokes walk the bow to one end: a long one after which the short one cannot bring the bow back. */
final class StuckAtEnd implements BowingRule
{
    /** Beyond what the bow may go faster or slower, before a teacher would speak of it. */
    private const TOLERANCE = 1.1;

    /** Strokes shorter than this, in bows, are small anyway. */
    private const SMALL = 0.12;

    /** A long stroke this many times its short one cannot be evened out by going slower and faster. */
    private const RATIO = 2.8;

    /** A figure, not a turn. */
    private const PAIRS = 3;

    /** Bows by which such a figure walks before it is spoken of. */
    private const DRIFT = 0.9;

    /** Findings closer than this many strokes are one figure. */
    private const FIGURE = 8;

    public function find(BowingCase $case): array
    {
        $findings = $this->walks($case);
        if ($findings !== []) {
            return $findings;
        }
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

    /**
     * A long–short figure that comes again and again, and would end off the bow if every stroke took what it wants.
     *
     * @return list<BowingFinding>
     */
    private function walks(BowingCase $case): array
    {
        $findings = [];
        $count = count($case->travel);
        for ($number = 0; $number + 1 < $count; $number++) {
            $pairs = 0;
            $drift = 0.0;
            while ($this->isLongShort($case, $number + 2 * $pairs)) {
                $drift += $case->travel[$number + 2 * $pairs]->need - $case->travel[$number + 2 * $pairs + 1]->need;
                $pairs++;
            }
            if ($pairs >= self::PAIRS && $drift > self::DRIFT) {
                $findings[] = $this->finding($case, $number + 1, $this->hooks($case, $number, $pairs));
                $number += 2 * $pairs - 1;
            }
        }

        return $findings;
    }

    /** Every short stroke of the figure goes with its long one. */
    private function hooks(BowingCase $case, int $number, int $pairs): BowingFix
    {
        $notes = $decisions = [];
        for ($pair = 0; $pair < $pairs; $pair++) {
            $stroke = $case->line->strokes[$case->travel[$number + 2 * $pair + 1]->bowed->stroke];
            if ($stroke->id() !== null) {
                $notes[] = $stroke->id();
                $decisions[] = ['note' => $stroke->id(), 'action' => BowAction::Hook->value];
            }
        }

        return new BowingFix('hook', $notes ?: [''], 0.5 * $pairs, $decisions ?: [[]]);
    }

    private function isLongShort(BowingCase $case, int $number): bool
    {
        $long = $case->travel[$number] ?? null;
        $short = $case->travel[$number + 1] ?? null;
        if ($long === null || $short === null || $long->need > BowNeed::MOST) {
            return false;
        }
        $gap = $case->line->strokes[$short->bowed->stroke]->gap;
        $turns = $long->bowed->direction !== $short->bowed->direction && $long->bowed->action === null && $short->bowed->action === null;

        return $turns && $gap === 0 && $long->need >= self::RATIO * $short->need;
    }

    private function isStuck(TravelledStroke $travelled): bool
    {
        $factor = $travelled->factor();

        return $travelled->need <= BowNeed::MOST && $travelled->need >= self::SMALL
            && ($factor > BowTravel::FASTEST * self::TOLERANCE || $factor < BowTravel::SLOWEST / self::TOLERANCE);
    }

    private function finding(BowingCase $case, int $number, ?BowingFix $all = null): BowingFinding
    {
        $travelled = $case->travel[$number];
        $stroke = $case->line->strokes[$travelled->bowed->stroke];
        [$short, $notes] = $this->shorter($case, $number);
        $shortIsUp = $short !== null && $case->line->direction($short) === BowSign::Up;
        $end = $shortIsUp ? 'tip' : 'frog';
        $fixes = $all === null ? [] : [$all];
        if ($all === null && $short !== null && $case->line->strokes[$short]->gap === 0 && count($notes) === 2) {
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
