<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Rules;

use UprightPencil\Core\Bowing\Following\BowFollower;
use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Bowing\Planning\PlannedAction;
use UprightPencil\Core\Bowing\Strokes\BowNeed;
use UprightPencil\Core\Bowing\Strokes\Figures;
use UprightPencil\Core\Bowing\Strokes\Stroke;
use UprightPencil\Core\Score\BowSign;

/**
 * What the plan did, and why, mark by mark. This is no finding: nothing is left for the director but to agree
 * (`bowing.md`, “Findings are what is left for the director”).
 */
final readonly class PlanNotes
{
    /** Where the plan's reason is looked for: so many strokes after its mark. */
    private const NEAR = 24;

    /** @param BowingCase $case of the planned line */
    private function __construct(private BowingCase $case) {}

    /** @return list<BowingFinding> in the order of the page, mended */
    public static function of(BowingCase $case): array
    {
        $told = new self($case);
        $done = $case->fixed->actions;
        $at = [];
        foreach ($case->plan->actions as $action) {
            isset($done[$action->note()]) || $at[$action->event][] = $action;
        }
        $notes = [];
        foreach ($at === [] ? [] : $case->line->strokes as $index => $stroke) {
            foreach ($stroke->events as $event) {
                foreach ($at[$event->index] ?? [] as $action) {
                    $notes[] = new BowingFinding("plan-{$action->action->value}", $event, $told->sentence($action, $index), 0.0, [new BowingFix($action->action->value, $action->notes, $action->cost, $action->changes())], true);
                }
                // A held event sounds in several strokes: it is told of where it begins.
                unset($at[$event->index]);
            }
        }

        return $notes;
    }

    private function sentence(PlannedAction $action, int $index): string
    {
        $stroke = $this->case->line->strokes[$index];
        $why = $this->comesOut($index);

        return match ($action->action) {
            BowAction::Hook => $this->isShortOfPair($index) ? 'Long and short go in one bow, so that it keeps its place.' : "Hooked{$why}.",
            BowAction::Retake => $stroke->gap > 0 ? "Retaken in the rest{$why}." : "Lifted after the long note{$why}.",
            BowAction::Change => $this->lasts($index) ?? "The bow changes on the long note{$why}.",
            BowAction::Split => $this->lasts($index) ?? "The slur is split{$why}.",
            BowAction::Strike => "The slur is struck{$why}.",
            default => "Done{$why}.",
        };
    }

    /** One bow would not last: the note or slur is cut into several. */
    private function lasts(int $index): ?string
    {
        $strokes = $this->case->line->strokes;
        $whole = $strokes[$index];
        for ($next = $index + 1; isset($strokes[$next]) && $strokes[$next]->changed; $next++) {
            $whole = new Stroke($whole->number, $whole->events, false, 0, $whole->start, $strokes[$next]->end);
        }
        $excess = $this->case->need->excess($whole);

        return $excess <= BowNeed::MOST ? null : sprintf('One bow would have to last %.1f seconds; this class has about %.1f.', $this->case->need->seconds($whole), $this->case->need->seconds($whole) / $excess);
    }

    private function isShortOfPair(int $index): bool
    {
        $before = $this->case->line->strokes[$index - 1] ?? null;

        return $before !== null && Figures::isDottedPair($before->last(), $this->case->line->strokes[$index]->first(), $this->case->beats);
    }

    /** “, so that measure 3 comes down”: the next strong beat that the mark serves. */
    private function comesOut(int $index): string
    {
        $line = $this->case->line;
        for ($next = $index; $next < $index + self::NEAR && isset($line->strokes[$next]); $next++) {
            $event = $line->strokes[$next]->onBeat();
            $locked = BowFollower::lock($line->strokes[$next], $this->case->fixed);
            if ($locked !== null && ! $this->case->fixed->isAlike($line->strokes[$next]->ids())) {
                return ", so that {$this->case->place($event)} comes ".($locked === BowSign::Down ? 'down' : 'up');
            }
            if ($line->direction($next) === BowSign::Down && ($this->case->beats->startsMeasure($event) || $this->case->beats->isAccented($event))) {
                return $this->case->beats->startsMeasure($event) ? ", so that measure {$this->case->measureNumber($event)} comes down" : ", so that the accent at {$this->case->place($event)} comes down";
            }
        }

        return '';
    }
}
