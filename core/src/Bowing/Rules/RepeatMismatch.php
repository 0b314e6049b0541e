<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Rules;

use UprightPencil\Core\Bowing\Marks\BowAction;

/**
 * One written note gets two directions on two passes, reported once for each run of such notes; or the same beat does on the
 * way round an ending: a later ending begins otherwise than the first, or leads back with another upbeat than the first.
 */
final class RepeatMismatch implements BowingRule
{
    public function code(): string
    {
        return 'repeat-mismatch';
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
        $inRun = false;
        foreach ($case->line->played as $bowed) {
            $first = $case->line->firstPass[$bowed->stroke];
            $differs = $first->direction !== $bowed->direction;
            if ($differs && (! $inRun || $bowed->jumped)) {
                $findings[$bowed->stroke] ??= $this->finding($case, $bowed->stroke);
            }
            $inRun = $differs;
        }

        return [...array_values($findings), ...$this->roundEndings($case)];
    }

    /** @return list<BowingFinding> */
    private function roundEndings(BowingCase $case): array
    {
        $begin = $end = $findings = [];
        foreach ($case->jumps->endings === [] ? [] : $case->line->strokes as $index => $stroke) {
            $begin[$stroke->onBeat()->measure] ??= $index;
            $end[$stroke->onBeat()->measure] = $index;
        }
        foreach (array_keys($case->jumps->endings) as $measure) {
            $first = (int) $case->jumps->leadOf($measure) + 1;
            if ($measure > $first && $case->jumps->endings[$measure] !== $case->jumps->endings[$measure - 1]) {
                $findings[] = $this->differing($case, $begin[$first] ?? null, $begin[$measure] ?? null, 'begins');
            }
            $upbeat = $end[$case->jumps->startOfRepeat($measure) - 1] ?? null;
            if (isset($case->jumps->backs[$measure]) && $upbeat !== null && $case->beats->inPickup($case->line->strokes[$upbeat]->onBeat())) {
                $findings[] = $this->differing($case, $upbeat, $end[$measure] ?? null, 'leads back');
            }
        }

        return array_values(array_filter($findings));
    }

    /**
     * @param  int|null  $model  the stroke that it should be like
     * @param  int|null  $own  the stroke that the ending begins or leads back with
     */
    private function differing(BowingCase $case, ?int $model, ?int $own, string $does): ?BowingFinding
    {
        $directions = [$model === null ? null : $case->line->direction($model), $own === null ? null : $case->line->direction($own)];
        if ($model === null || $own === null || in_array(null, $directions, true) || $directions[0] === $directions[1]) {
            return null;
        }
        [$before, $stroke] = [$case->line->strokes[$model], $case->line->strokes[$own]];
        if ($case->beats->beat($before->onBeat()) !== $case->beats->beat($stroke->onBeat()) || $before->ticks() !== $stroke->ticks() || $stroke->id() === null) {
            return null;
        }

        return new BowingFinding(
            $this->code(),
            $stroke->first(),
            "The ending {$does} {$directions[1]->value} at {$case->place($stroke->first())}, but {$directions[0]->value} at {$case->place($before->first())}.",
            1.5,
            [BowingFix::turn('alternate', $stroke->id(), $directions[0])],
        );
    }

    private function finding(BowingCase $case, int $stroke): BowingFinding
    {
        $event = $case->line->strokes[$stroke]->first();
        $first = $case->line->firstPass[$stroke]->direction;

        return new BowingFinding(
            $this->code(),
            $event,
            "From {$case->place($event)} the bow comes {$first->value} the first time and {$first->other()->value} when it comes back.",
            2.0,
            [BowingFix::act(BowAction::Retake, [$event->first()->id], $first)],
        );
    }
}
