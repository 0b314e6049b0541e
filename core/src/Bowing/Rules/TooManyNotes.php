<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Rules;

use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Bowing\Strokes\Stroke;
use UprightPencil\Core\Score\Event;

/** More notes in a slur than the class plays cleanly, or fast ones with string crossings inside. */
final class TooManyNotes implements BowingRule
{
    public function code(): string
    {
        return 'too-many-notes';
    }

    public function needsTravel(): bool
    {
        return false;
    }

    public function trial(): Trial
    {
        return Trial::Bowed;
    }

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
        $at = $case->load->divided($stroke, $pieces);
        $fixes = $at === [] ? [] : [BowingFix::actAtEach(BowAction::Split, array_map(static fn (Event $event): string => $event->first()->id, $at))];
        $fixes[] = BowingFix::act(BowAction::Strike, [$stroke->last()->first()->id]);

        return new BowingFinding($this->code(), $stroke->first(), "The slur from {$case->place($stroke->first())} {$what}.", 2.0, $fixes);
    }
}
