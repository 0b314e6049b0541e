<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Rules;

use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Bowing\Marks\BowPlace;
use UprightPencil\Core\Bowing\Marks\PlayAt;
use UprightPencil\Core\Bowing\Marks\Prices;
use UprightPencil\Core\Bowing\Strokes\BowNeed;
use UprightPencil\Core\Bowing\Travel\BowGrid;
use UprightPencil\Core\Bowing\Travel\TravelledStroke;
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

    public function code(): string
    {
        return 'stuck-at-end';
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
        [$findings, $told] = $this->walks($case);
        $last = -self::FIGURE;
        foreach ($case->travel as $number => $travelled) {
            if (! $this->isStuck($travelled)) {
                continue;
            }
            if ($number - $last >= self::FIGURE && ! isset($told[$number])) {
                $finding = $this->finding($case, $number);
                $findings[$finding->event->index] ??= $finding;
            }
            $last = $number;
        }

        return array_values($findings);
    }

    /**
     * A long–short figure that comes again and again, and would end off the bow if every stroke took what it wants.
     *
     * @return array{array<int, BowingFinding>, array<int, true>} by event, and the places in the travel that are told with them
     */
    private function walks(BowingCase $case): array
    {
        /** @var array<int, BowingFinding> $findings */
        $findings = [];
        $told = [];
        $count = count($case->travel);
        for ($number = 0; $number + 1 < $count; $number++) {
            $pairs = 0;
            $drift = 0.0;
            while ($this->isLongShort($case, $number + 2 * $pairs)) {
                $drift += $case->travel[$number + 2 * $pairs]->need - $case->travel[$number + 2 * $pairs + 1]->need;
                $pairs++;
            }
            if ($pairs >= self::PAIRS && $drift > self::DRIFT) {
                $finding = $this->finding($case, $number + 1, $this->hooks($case, $number, $pairs));
                $findings[$finding->event->index] ??= $finding;
                // The stroke after the figure has to make good what it left.
                $told += array_fill($number, 2 * $pairs + 1, true);
                $number += 2 * $pairs - 1;
            }
        }

        return [$findings, $told];
    }

    /** Every short stroke of the figure goes with its long one; null where none of them can carry a mark. */
    private function hooks(BowingCase $case, int $number, int $pairs): ?BowingFix
    {
        $notes = [];
        for ($pair = 0; $pair < $pairs; $pair++) {
            $id = $case->line->strokes[$case->travel[$number + 2 * $pair + 1]->bowed->stroke]->id();
            $id === null || $notes[$id] = $id;
        }

        return $notes === [] ? null : BowingFix::actAtEach(BowAction::Hook, array_values($notes));
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
            && ($factor > BowGrid::FASTEST * self::TOLERANCE || $factor < BowGrid::SLOWEST / self::TOLERANCE);
    }

    private function finding(BowingCase $case, int $number, ?BowingFix $all = null): BowingFinding
    {
        $travelled = $case->travel[$number];
        $stroke = $case->line->strokes[$travelled->bowed->stroke];
        [$short, $notes] = $this->shorter($case, $number);
        $end = $this->walksToTheTip($case, $number, $short) ? 'tip' : 'frog';
        $fixes = $all === null ? [] : [$all];
        if ($all === null && $short !== null && $case->line->strokes[$short]->gap === 0 && count($notes) === 2) {
            $fixes[] = BowingFix::act(BowAction::Hook, $notes);
        }
        if ($stroke->gap > 0 && $stroke->id() !== null) {
            $fixes[] = BowingFix::act(BowAction::Retake, [$stroke->id()], $travelled->bowed->direction);
        }
        if ($stroke->id() !== null) {
            $fixes[] = new BowingFix('place', [$stroke->id()], Prices::PLACE, [new PlayAt($end === 'tip' ? BowPlace::UpperHalf : BowPlace::LowerHalf, $stroke->id())]);
        }

        return new BowingFinding(
            $this->code(),
            $stroke->first(),
            "Long and short bows walk to the {$end} at {$case->place($stroke->first())}: the short one brings back too little.",
            1.8,
            $fixes,
        );
    }

    /**
     * Long strokes carry the bow to the end that they go to. Where no pair of strokes is to blame, the one that is stuck says it:
     * it has no room left where it goes, or has to come back from where the others went.
     *
     * @param  int|null  $short  the short stroke of the pair
     */
    private function walksToTheTip(BowingCase $case, int $number, ?int $short): bool
    {
        if ($short !== null) {
            return $case->line->direction($short) === BowSign::Up;
        }
        $travelled = $case->travel[$number];

        return ($travelled->bowed->direction === BowSign::Down) === ($travelled->factor() < 1.0);
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
