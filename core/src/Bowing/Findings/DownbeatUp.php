<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Findings;

use UprightPencil\Core\Bowing\BowAction;
use UprightPencil\Core\Bowing\BowingCase;
use UprightPencil\Core\Bowing\BowingFinding;
use UprightPencil\Core\Bowing\BowingFix;
use UprightPencil\Core\Bowing\BowingRule;
use UprightPencil\Core\Bowing\PlannedAction;
use UprightPencil\Core\Score\BowSign;

/**
 * A measure starts up-bow and a cheap change would bring it down. Cheap is what the plan finds worth doing: a figure
 * that alternates measure by measure is left alone because mending it costs more than it brings.
 */
final class DownbeatUp implements BowingRule
{
    public function find(BowingCase $case): array
    {
        $findings = [];
        $before = null;
        $actions = $case->plan->actions;
        foreach ($case->followed->strokes as $index => $stroke) {
            while ($actions !== [] && $actions[0]->stroke <= $index) {
                $before = array_shift($actions);
            }
            $mended = $case->followed->direction($index) === BowSign::Up && $case->planned->direction($index) === BowSign::Down;
            if ($before !== null && $mended && $case->beats->startsMeasure($stroke->onBeat()) && ! isset($findings[$before->stroke])) {
                $findings[$before->stroke] = $this->finding($case, $index, $before);
            }
        }

        return array_values($findings);
    }

    private function finding(BowingCase $case, int $index, PlannedAction $action): BowingFinding
    {
        $strokes = $case->followed->strokes;
        $event = $strokes[$index]->onBeat();
        $changed = $strokes[$action->stroke];
        $before = $strokes[$action->stroke - 1];
        $how = $action->action === BowAction::Hook
            ? "hook the note at {$case->place($changed->first())} to the one before"
            : "retake before {$case->place($changed->first())}";
        $notes = $action->action === BowAction::Hook
            ? [$before->events[count($before->events) - 1]->first()->id, $changed->first()->first()->id]
            : [$changed->first()->first()->id];
        $sign = $action->action === BowAction::Retake ? $case->planned->direction($action->stroke) : null;

        return new BowingFinding(
            'downbeat-up',
            $event,
            "Measure {$case->measureNumber($event)} starts up-bow as it comes; {$how} and it comes down.",
            [new BowingFix($action->action->value, $notes, $sign, $action->cost)],
            true,
        );
    }
}
