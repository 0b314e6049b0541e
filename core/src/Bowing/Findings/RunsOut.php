<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Findings;

use UprightPencil\Core\Bowing\BowAction;
use UprightPencil\Core\Bowing\BowingCase;
use UprightPencil\Core\Bowing\BowingFinding;
use UprightPencil\Core\Bowing\BowingFix;
use UprightPencil\Core\Bowing\BowingRule;
use UprightPencil\Core\Bowing\BowNeed;
use UprightPencil\Core\Bowing\Stroke;

/** A stroke needs more bow than there is, at this dynamic and tempo. */
final class RunsOut implements BowingRule
{
    public function find(BowingCase $case): array
    {
        $findings = [];
        foreach ($case->line->strokes as $index => $stroke) {
            $excess = $case->need->excess($stroke);
            $staggered = ($case->marks->actions[(string) $stroke->id()] ?? null) === BowAction::Stagger;
            if ($excess > BowNeed::MOST && ! $staggered && isset($case->line->firstPass[$index])) {
                $findings[] = $this->finding($case, $stroke, $excess);
            }
        }

        return $findings;
    }

    private function finding(BowingCase $case, Stroke $stroke, float $excess): BowingFinding
    {
        $pieces = $stroke->isOneNote() ? $case->changes->pieces($stroke) : (int) ceil($excess / BowNeed::MOST - 1e-9);
        $lift = str_contains($stroke->last()->first()->kept['articulations'] ?? '', 'breath-mark') ? ' With a change on it the lift printed after it is not needed.' : '';

        return new BowingFinding(
            'runs-out',
            $stroke->first(),
            sprintf('The bow from %s lasts %.1f seconds; at this loudness one bow of this class lasts about %.1f.', $case->placeAt($stroke->start), $case->need->seconds($stroke), $case->need->seconds($stroke) / $excess).$lift,
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
        $change = ['note' => $id, 'action' => BowAction::Change->value];

        return [
            new BowingFix('change', [$id], 0.7 * ($pieces - 1), [$pieces > 2 ? $change + ['times' => $pieces - 1] : $change]),
            new BowingFix('stagger', [$id], 1.5, [['note' => $id, 'action' => BowAction::Stagger->value]]),
        ];
    }

    /** @return list<BowingFix> */
    private function splits(BowingCase $case, Stroke $stroke, int $pieces): array
    {
        $at = $case->load->divided($stroke, array_slice($stroke->events, 1), $pieces);
        if ($at === []) {
            return [];
        }

        return [new BowingFix('split', array_map(static fn ($event): string => $event->first()->id, $at), 1.9 * count($at), array_map(static fn ($event): array => ['note' => $event->first()->id, 'action' => BowAction::Split->value], $at))];
    }
}
