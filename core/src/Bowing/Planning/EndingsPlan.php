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
        foreach ($endings as [$lead, $ending, $target]) {
            $plan = $this->with($plan, $main, $lead, $ending, $target, $marks);
        }

        return $plan;
    }

    /**
     * @param  list<Stroke>  $main
     * @param  int  $lead  index in the main line of the stroke before the ending
     * @param  non-empty-list<Stroke>  $ending
     * @param  int  $target  index in the main line of the stroke that its repeat leads to
     */
    private function with(Plan $plan, array $main, int $lead, array $ending, int $target, BowMarks $marks): Plan
    {
        $sign = $plan->ways[$lead]->end();
        $known = new Stroke(0, $main[$lead]->events, false, 0, $main[$lead]->start, $main[$lead]->end, true);
        $own = $this->planner->plan([$known, ...$ending], $marks, $sign->other(), $plan->ways[$target]->start, false);
        $actions = [...$plan->actions, ...$own->actions];
        usort($actions, static fn (PlannedAction $a, PlannedAction $b): int => $a->event <=> $b->event);

        return new Plan($plan->marks->and($own->marks), $actions, $plan->cost + $own->cost, $plan->ways);
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
