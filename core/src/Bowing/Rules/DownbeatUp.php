<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Rules;

use UprightPencil\Core\Bowing\Planning\PlannedAction;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\Event;

/**
 * A strong beat falls on an up-bow and a cheap change would bring it down. Cheap is what the plan finds worth doing: a
 * figure that alternates measure by measure is left alone because mending it costs more than it brings.
 *
 * Wherever the plan goes the other way than the line, from one of its actions to the next, there is one finding, and its
 * fix is those two actions: the first turns the bow, the second turns it back.
 */
final class DownbeatUp implements BowingRule
{
    private const SEVERITY = 2.0;

    public function code(): string
    {
        return 'downbeat-up';
    }

    public function needsTravel(): bool
    {
        return false;
    }

    public function trial(): Trial
    {
        return Trial::Planned;
    }

    public function find(BowingCase $case): array
    {
        $findings = [];
        $strong = null;
        $since = null;
        $done = $case->fixed->actions;
        $actions = array_values(array_filter($case->plan->actions, static fn (PlannedAction $action): bool => ! isset($done[$action->note()])));
        foreach ($case->line->strokes as $index => $stroke) {
            foreach ($stroke->events as $place => $event) {
                while ($actions !== [] && $actions[0]->event <= $event->index) {
                    $strong === null || $findings[] = $this->finding($case, $strong, $since, $actions[0]);
                    $strong = null;
                    $since = array_shift($actions);
                }
                $begins = $place === 0 && ! $stroke->changed;
                $stronger = $strong === null || $case->beats->strength($stroke->onBeat()) > $case->beats->strength($strong);
                if ($begins && $stronger && $since !== null && $this->isWrong($case, $index, $stroke->onBeat())) {
                    $strong = $stroke->onBeat();
                }
            }
        }
        $strong === null || $findings[] = $this->finding($case, $strong, $since, null);

        return array_values(array_filter($findings));
    }

    private function isWrong(BowingCase $case, int $stroke, Event $event): bool
    {
        return $case->line->direction($stroke) === BowSign::Up
            && ($case->planned[$event->index] ?? null) === BowSign::Down
            && ($case->beats->strength($event) >= 0.5 || $case->beats->isAccented($event));
    }

    private function finding(BowingCase $case, Event $event, ?PlannedAction $action, ?PlannedAction $until): ?BowingFinding
    {
        if ($action === null) {
            return null;
        }
        $subject = $case->beats->startsMeasure($event) ? "Measure {$case->measureNumber($event)} starts" : ucfirst($case->place($event)).' comes';

        return new BowingFinding(
            $this->code(),
            $event,
            "{$subject} up-bow as it comes; a small change before it brings it down.",
            self::SEVERITY * $case->beats->strength($event),
            [new BowingFix($action->action->value, [...$action->notes, ...($until->notes ?? [])], $action->cost + ($until->cost ?? 0.0), [...$action->changes(), ...($until?->changes() ?? [])])],
        );
    }
}
