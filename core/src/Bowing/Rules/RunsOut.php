<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Rules;

use UprightPencil\Core\Bowing\Following\BowFollower;
use UprightPencil\Core\Bowing\Marks\Act;
use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Bowing\Strokes\BowNeed;
use UprightPencil\Core\Bowing\Strokes\Stroke;
use UprightPencil\Core\Score\Event;

/** A stroke needs more bow than there is, at this dynamic and tempo. */
final class RunsOut implements BowingRule
{
    public function code(): string
    {
        return 'runs-out';
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
        foreach ($case->line->strokes as $index => $stroke) {
            $excess = $case->need->excess($stroke);
            $staggered = BowFollower::action($stroke, $case->marks) === BowAction::Stagger;
            if ($excess > BowNeed::MOST && ! $staggered && isset($case->line->firstPass[$index])) {
                $findings[] = $this->finding($case, $stroke, $excess);
            }
        }

        return $findings;
    }

    private function finding(BowingCase $case, Stroke $stroke, float $excess): BowingFinding
    {
        $pieces = $stroke->isOneNote() ? $case->changes->pieces($stroke) : (int) ceil($excess / BowNeed::MOST - 1e-9);
        $lift = $stroke->last()->first()->breath ? ' Changed, it needs no printed lift.' : '';

        return new BowingFinding(
            $this->code(),
            $stroke->first(),
            sprintf('One bow has to last %.1f seconds from %s; this class has about %.1f.', $case->need->seconds($stroke), $case->placeAt($stroke->start), $case->need->seconds($stroke) / $excess).$lift,
            3.0,
            $stroke->isOneNote() ? $this->changes($stroke, $pieces) : $this->splits($case, $stroke, $pieces),
        );
    }

    /** @return list<BowingFix> */
    private function changes(Stroke $stroke, int $pieces): array
    {
        $id = $stroke->id();
        if ($id === null) {
            return [];
        }
        $times = $pieces - 1;

        return [
            new BowingFix('change', [$id], BowAction::Change->price() * $times, [Act::at($id, BowAction::Change, $times > 1 ? $times : null)]),
            BowingFix::act(BowAction::Stagger, [$id]),
        ];
    }

    /** @return list<BowingFix> */
    private function splits(BowingCase $case, Stroke $stroke, int $pieces): array
    {
        $at = $case->load->divided($stroke, $pieces);

        return $at === [] ? [] : [BowingFix::actAtEach(BowAction::Split, array_map(static fn (Event $event): string => $event->first()->id, $at))];
    }
}
