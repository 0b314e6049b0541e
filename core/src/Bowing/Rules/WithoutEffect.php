<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Rules;

use UprightPencil\Core\Bowing\Following\BowFollower;
use UprightPencil\Core\Bowing\Marks\Act;
use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Bowing\Marks\BowChange;
use UprightPencil\Core\Bowing\Marks\Prices;
use UprightPencil\Core\Bowing\Marks\Turn;
use UprightPencil\Core\Bowing\Strokes\Stroke;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\Event;

/** A mark that somebody made and that cannot be played: no slur to strike, nothing to hook to, no time to change in. */
final class WithoutEffect implements BowingRule
{
    public function code(): string
    {
        return 'impossible-decision';
    }

    public function needsTravel(): bool
    {
        return false;
    }

    public function trial(): Trial
    {
        return Trial::Certain;
    }

    public function find(BowingCase $case): array
    {
        $findings = [];
        $given = $case->fixed->given();
        foreach ($case->line->strokes as $index => $stroke) {
            $action = $stroke->changed ? null : BowFollower::action($stroke, $case->fixed);
            $why = $action === null ? null : $this->why($action, $index, $stroke, $case);
            if ($why !== null) {
                $findings[] = $this->finding($case, $stroke->first(), $why, Act::nothingAt((string) $stroke->id()));
            }
            array_push($findings, ...$stroke->changed ? [] : $this->inside($stroke, $case, $given));
        }

        return $findings;
    }

    /**
     * Marks on notes after the first of a stroke, where the bow neither turns nor is held.
     *
     * @param  array<string, BowSign>  $given  the signs somebody gave, by note
     * @return list<BowingFinding>
     */
    private function inside(Stroke $stroke, BowingCase $case, array $given): array
    {
        $findings = [];
        foreach (array_slice($stroke->events, 1) as $event) {
            $note = $event->first()->id;
            $sign = $given[$note] ?? null;
            if ($sign !== null) {
                $findings[] = $this->finding($case, $event, "The bow does not turn for the {$sign->value}-bow sign inside a stroke", Turn::unmarked($note));
            } elseif (in_array($case->fixed->actions[$note] ?? null, [BowAction::Change, BowAction::Stagger], true)) {
                $findings[] = $this->finding($case, $event, 'The note inside a stroke is not held long enough to change the bow on', Act::nothingAt($note));
            }
        }

        return $findings;
    }

    private function finding(BowingCase $case, Event $event, string $why, BowChange $without): BowingFinding
    {
        return new BowingFinding($this->code(), $event, "{$why} at {$case->place($event)}.", 1.0, [new BowingFix('unmark', [$event->first()->id], Prices::UNMARK, [$without])]);
    }

    private function why(BowAction $action, int $index, Stroke $stroke, BowingCase $case): ?string
    {
        $opens = $index === 0 && ($case->line->firstPass[0] ?? null)?->before === null;
        $underSlur = isset($case->slurs->under[$stroke->first()->index]);

        return match ($action) {
            BowAction::Hook, BowAction::Join => $opens ? 'There is no note before to '.($action === BowAction::Hook ? 'hook' : 'slur').' to' : null,
            BowAction::Split => $underSlur ? null : 'There is no slur to change in',
            BowAction::Strike => $underSlur || in_array($stroke->first()->index, $case->slurs->under, true) ? null : 'There is no slur to strike',
            BowAction::Change => ($case->line->strokes[$index + 1] ?? null)?->changed === true ? null : 'The note is too short to change the bow on',
            default => null,
        };
    }
}
