<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Findings;

use UprightPencil\Core\Bowing\BowAction;
use UprightPencil\Core\Bowing\BowingCase;
use UprightPencil\Core\Bowing\BowingFinding;
use UprightPencil\Core\Bowing\BowingFix;
use UprightPencil\Core\Bowing\BowingRule;
use UprightPencil\Core\Bowing\Stroke;
use UprightPencil\Core\Score\Event;

/** More notes in a slur than the class plays cleanly, or fast ones with string crossings inside. */
final class TooManyNotes implements BowingRule
{
    public function find(BowingCase $case): array
    {
        $findings = [];
        foreach ($case->line->strokes as $stroke) {
            if ($case->load->isTooMuch($stroke)) {
                $findings[] = $this->finding($case, $stroke);
            }
        }

        return $findings;
    }

    private function finding(BowingCase $case, Stroke $stroke): BowingFinding
    {
        $most = $case->level->slurNotes();
        $many = $stroke->notes() > $most;
        $what = $many
            ? "holds {$stroke->notes()} notes; this class plays up to {$most} in one bow cleanly"
            : "is fast and crosses strings {$case->load->crossings($stroke)} times, more than this class plays cleanly";
        $pieces = $many ? (int) ceil($stroke->notes() / $most) : 2;
        $at = $case->load->divided($stroke, array_values(array_filter(array_slice($stroke->events, 1), static fn (Event $event): bool => ! $event->isTiedOver() && ! $event->isGrace())), $pieces);
        $fixes = $at === [] ? [] : [new BowingFix(
            'split',
            array_map(static fn (Event $event): string => $event->first()->id, $at),
            1.9 * count($at),
            array_map(static fn (Event $event): array => ['note' => $event->first()->id, 'action' => BowAction::Split->value], $at),
        )];
        $fixes[] = BowingFix::action(BowAction::Strike, [$stroke->last()->first()->id], 2.6);

        return new BowingFinding('too-many-notes', $stroke->first(), "The slur from {$case->place($stroke->first())} {$what}.", 2.0, $fixes);
    }
}
