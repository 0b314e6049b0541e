<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Planning;

use UprightPencil\Core\Bowing\Marks\BowMarks;
use UprightPencil\Core\Bowing\Strokes\Stroke;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\Jumps;

/**
 * Plans a part with endings as it is played: the line that leads through the last ending first, then each earlier ending
 * between the note before it and the beginning of its repeat.
 */
final readonly class EndingsPlan
{
    public function __construct(
        private Planner $planner,
        private Jumps $jumps,
    ) {}

    /**
     * @param  list<Stroke>  $strokes  in written order
     * @param  BowSign|null  $before  the direction that they are entered from; null at the start of a part
     * @param  bool  $ends  the last of them is the last of the part
     */
    public function plan(array $strokes, BowMarks $marks, ?BowSign $before, bool $ends = true): Plan
    {
        [$main, $endings] = $this->parted($strokes);
        $plan = $this->planner->plan($main, $marks, $before, ends: $ends);
        if ($endings === []) {
            return $plan;
        }
        // What an ending costs depends on how it is come to, so the line is planned again with that in mind.
        $onward = $known = [];
        foreach ($endings as $index => [$lead, $ending, $target]) {
            foreach (BowSign::cases() as $sign) {
                $own = $known["{$index} {$sign->value} {$plan->ways[$target]->start->value}"] = $this->ending($main[$lead], $sign, $ending, $plan->ways[$target]->start, $marks);
                $onward[$lead][$sign->value] = ($onward[$lead][$sign->value] ?? 0.0) + $own->cost;
            }
        }
        $plan = $this->planner->plan($main, $marks, $before, ends: $ends, onward: $onward);
        foreach ($endings as $index => [$lead, $ending, $target]) {
            [$end, $start] = [$plan->ways[$lead]->end(), $plan->ways[$target]->start];
            $plan = $plan->with($known["{$index} {$end->value} {$start->value}"] ?? $this->ending($main[$lead], $end, $ending, $start, $marks));
        }

        return $plan;
    }

    /**
     * @param  Stroke  $lead  the stroke before the ending
     * @param  BowSign  $end  the direction in which it ends
     * @param  non-empty-list<Stroke>  $ending
     * @param  BowSign  $target  the direction of the stroke that its repeat leads to
     */
    private function ending(Stroke $lead, BowSign $end, array $ending, BowSign $target, BowMarks $marks): Plan
    {
        $known = new Stroke(0, $lead->events, false, 0, $lead->start, $lead->end, true);

        return $this->planner->plan([$known, ...$ending], $marks, $end->other(), $target, false);
    }

    /**
     * @param  list<Stroke>  $strokes
     * @return array{list<Stroke>, list<array{int, non-empty-list<Stroke>, int}>}
     */
    private function parted(array $strokes): array
    {
        $main = $endings = [];
        foreach ($strokes as $stroke) {
            $measure = $stroke->first()->measure;
            if ($main === [] || ! $this->isEarlierEnding($measure)) {
                $main[] = $stroke;

                continue;
            }
            $lead = count($main) - 1;
            $passes = implode(',', $this->jumps->endings[$measure]);
            $before = $endings["{$lead}/{$passes}"] ?? [$lead, [], $this->targetOf($main, $measure)];
            $endings["{$lead}/{$passes}"] = [$before[0], [...$before[1], $stroke], $before[2]];
        }

        return [$main, array_values($endings)];
    }

    /** Another ending follows this one before the music goes on. */
    private function isEarlierEnding(int $measure): bool
    {
        $passes = $this->jumps->endings[$measure] ?? null;
        for ($next = $measure; $passes !== null && isset($this->jumps->endings[$next]); $next++) {
            if ($this->jumps->endings[$next] !== $passes) {
                return true;
            }
        }

        return false;
    }

    /** @param non-empty-list<Stroke> $main */
    private function targetOf(array $main, int $measure): int
    {
        $start = $this->jumps->startOfRepeat($measure);
        foreach ($main as $index => $stroke) {
            if ($stroke->first()->measure >= $start) {
                return $index;
            }
        }

        return 0;
    }
}
