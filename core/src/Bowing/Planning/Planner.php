<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Planning;

use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Bowing\Marks\BowMarks;
use UprightPencil\Core\Bowing\Strokes\BowNeed;
use UprightPencil\Core\Bowing\Strokes\LeftHand;
use UprightPencil\Core\Bowing\Strokes\Phrasing;
use UprightPencil\Core\Bowing\Strokes\Stroke;
use UprightPencil\Core\Bowing\Terms\BowTerms;
use UprightPencil\Core\Bowing\Terms\Kept;
use UprightPencil\Core\Bowing\Terms\PlanPlace;
use UprightPencil\Core\Bowing\Terms\Way;
use UprightPencil\Core\Score\Beats;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Search\ShortestPath;

/**
 * Plans the bow for a line: alternation is free; hooks, retakes, changes, splits, struck slurs and strong beats on an
 * up-bow cost (`Terms`), and the cheapest sum wins. Printed and decided marks are fixed, so that the way to a note that is
 * locked is worked back from it.
 */
final readonly class Planner
{
    public function __construct(
        private Beats $beats,
        private WayFinder $ways,
        private BowTerms $terms,
        private BowNeed $need,
        private float $circle,
        private LeftHand $hand = new LeftHand,
        private PlanMemory $memory = new PlanMemory,
    ) {}

    /**
     * @param  list<Stroke>  $strokes  in written order
     * @param  BowSign|null  $before  the direction that the line is entered from; null at the start of a part
     * @param  BowSign|null  $after  the direction that follows it, where that is known
     * @param  bool  $ends  the line's last stroke is the last of the part
     * @param  array<int, array<string, float>>  $onward  stroke index => direction in which it ends => points for what else follows it, an earlier ending; not in the plan's cost
     */
    public function plan(array $strokes, BowMarks $marks, ?BowSign $before = null, ?BowSign $after = null, bool $ends = true, array $onward = []): Plan
    {
        $places = [];
        $phrasing = new Phrasing($strokes, $this->beats, $this->need, $this->circle);
        foreach (array_keys($strokes) as $index) {
            $places[] = new PlanPlace($strokes, $index, $marks, $this->beats, $before, $ends, $phrasing);
        }
        $keys = PlanMemory::keys($strokes, $marks, $phrasing, $this->hand);
        $layers = $stands = $tables = [];
        $shape = null;
        foreach ($places as $index => $at) {
            // The first and the last stroke depend on how the stretch is entered and left, too.
            $edge = $index === 0 ? "first {$before?->value} " : '';
            $keys[$index] = $edge.($at->isLast() ? 'last ' : '').$keys[$index];
            $priced = $this->memory->of($keys[$index], fn (): array => $this->priced($at));
            $layers[] = $priced['layer'];
            $more = $onward[$index] ?? null;
            $stands[] = $index === 0 || $at->next === null || $more !== null
                ? array_map(static fn (Way $way, float $cost): float => $cost + Kept::standing($way, $at, $after) + ($more[$way->end()->value] ?? 0.0), $priced['layer'], $priced['stands'])
                : $priced['stands'];
            $shape === null || $tables[] = $this->memory->table($shape, $priced['shape'], $priced['turns']);
            $shape = $priced['shape'];
        }
        $path = ShortestPath::overTables($stands, $tables);
        $ways = array_map(static fn (int $state, array $layer): Way => $layer[$state], $path->states, $layers);

        $elsewhere = array_sum(array_map(static fn (int $index): float => $onward[$index][$ways[$index]->end()->value], array_keys($onward)));

        return $this->planOf($places, $ways, $path->cost - $elsewhere);
    }

    /** @return array{layer: non-empty-list<Way>, stands: non-empty-list<float>, shape: string, turns: array{float, float, float, float}} */
    private function priced(PlanPlace $at): array
    {
        $layer = $this->layer($at);
        $turn = fn (BowSign $from, BowSign $to): float => $this->terms->turning($from, $to, $at);

        return [
            'layer' => $layer,
            'stands' => array_map(fn (Way $way): float => $this->terms->standing($way, $at), $layer),
            'shape' => implode('', array_map(static fn (Way $way): string => PlanMemory::shape($way, $at->stroke->gap), $layer)),
            'turns' => [$turn(BowSign::Down, BowSign::Down), $turn(BowSign::Down, BowSign::Up), $turn(BowSign::Up, BowSign::Down), $turn(BowSign::Up, BowSign::Up)],
        ];
    }

    /** @return non-empty-list<Way> */
    private function layer(PlanPlace $at): array
    {
        $decided = false;
        foreach ($at->stroke->events as $event) {
            $decided = $decided || isset($at->marks->actions[$event->first()->id]);
        }

        return $this->ways->ways($at->stroke, $at->lock === null || $at->stroke->hooked ? [] : [$at->lock], $decided);
    }

    /**
     * @param  list<PlanPlace>  $places
     * @param  list<Way>  $ways
     */
    private function planOf(array $places, array $ways, float $cost): Plan
    {
        $marks = new BowMarks;
        $planned = [];
        foreach ($places as $index => $at) {
            if ($at->stroke->id() === null) {
                continue;
            }
            $done = [...$this->turned($at, $ways[$index], $ways[$index - 1] ?? null), ...$this->inside($at, $ways[$index])];
            array_push($planned, ...$done);
        }
        $directions = $this->directions($places, $ways, $planned);
        $actions = $times = [];
        foreach ($planned as $action) {
            $actions[$action->note()] = $action->action;
            $action->times === null || $times[$action->note()] = $action->times;
        }

        return new Plan(new BowMarks($directions, $actions, times: $times), $planned, $cost, $ways);
    }

    /**
     * Where the plan has to say a direction: at every start, where it hooks or retakes, and after a stagger.
     *
     * @param  list<PlanPlace>  $places
     * @param  list<Way>  $ways
     * @param  list<PlannedAction>  $planned
     * @return array<string, BowSign>
     */
    private function directions(array $places, array $ways, array $planned): array
    {
        $directions = [];
        foreach ($places as $index => $at) {
            if ($at->stroke->id() !== null && ($index === 0 || $at->free)) {
                $directions[$at->stroke->id()] = $ways[$index]->start;
            }
        }
        foreach ($planned as $action) {
            $action->sign === null || $directions[$action->note()] = $action->sign;
        }

        return $directions;
    }

    /** @return list<PlannedAction> the hook or retake with which a stroke goes on in the direction of the one before */
    private function turned(PlanPlace $at, Way $way, ?Way $before): array
    {
        $id = $at->stroke->id();
        if ($before === null || $at->before === null || $id === null || $way->start !== $before->end() || $at->isBound() || $at->free || $at->isTarget() || $at->action !== null) {
            return [];
        }
        $cost = $this->terms->turning($way->start, $way->start, $at);

        return [$at->stroke->gap > 0 || ($way->start === BowSign::Down && $at->phrasing->hasTimeToLift($at->index))
            ? new PlannedAction($at->stroke->first()->index, BowAction::Retake, [$id], $cost, $way->start)
            : new PlannedAction($at->stroke->first()->index, BowAction::Hook, [$at->before->last()->first()->id, $id], $cost, $way->start)];
    }

    /** @return list<PlannedAction> changes, splits and struck slurs */
    private function inside(PlanPlace $at, Way $way): array
    {
        $cost = $way->action === null ? 0.0 : $this->terms->standing(new Way(BowSign::Down, $way->turns, $way->action, [], $way->needed), $at);
        if ($way->action === BowAction::Split) {
            return array_map(static fn ($event): PlannedAction => new PlannedAction($event->index, BowAction::Split, [$event->first()->id], $cost / count($way->at)), $way->at);
        }

        return $way->action === null ? [] : [new PlannedAction($at->stroke->first()->index, $way->action, [$at->stroke->first()->first()->id], $cost, null, $way->turns)];
    }
}
