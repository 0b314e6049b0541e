<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble\Comparing;

use UprightPencil\Core\Ensemble\Figure;
use UprightPencil\Core\Ensemble\FigurePlace;
use UprightPencil\Core\Ensemble\LinedNote;
use UprightPencil\Core\Ensemble\Orchestra;
use UprightPencil\Core\Marking\Decision;

/**
 * A figure that comes again, here or in another section, in other bows; in the same section on the same notes also in other
 * fingers that somebody decided.
 */
final class FigureDiffers extends Comparison
{
    public function code(): string
    {
        return 'figure-differs';
    }

    public function of(Orchestra $orchestra): array
    {
        $found = [];
        foreach ($orchestra->figures() as $figure) {
            foreach ($this->byBeat($figure) as $beat => $places) {
                $model = $figure->model((float) $beat);
                foreach ($places as $place) {
                    $told = $place === $model || $place->near || $this->areTogether($model, $place) ? null : $this->bows($orchestra, $model, $place) ?? $this->fingers($orchestra, $model, $place);
                    $told === null || $found[] = $told;
                }
            }
        }

        return $found;
    }

    /**
     * The same beat of the measure asks for the same bows; elsewhere the strong beats fall otherwise.
     *
     * @return array<int|string, non-empty-list<FigurePlace>>
     */
    private function byBeat(Figure $figure): array
    {
        $places = [];
        foreach ($figure->places as $place) {
            $solo = array_filter($place->notes, static fn (LinedNote $note): bool => $note->solo) !== [];
            $solo || $places[(string) $place->beat()][] = $place;
        }

        return $places;
    }

    /** What differs at the same time is told by itself. */
    private function areTogether(FigurePlace $one, FigurePlace $other): bool
    {
        return $one->start() === $other->start();
    }

    private function bows(Orchestra $orchestra, FigurePlace $model, FigurePlace $place): ?OutOfLine
    {
        if ($place->directions() === $model->directions() || str_contains($place->directions().$model->directions(), '-')) {
            return null;
        }
        $part = $orchestra->sections[$place->part()]->name();
        $where = $this->where($orchestra, $model, $place);

        return new OutOfLine(
            $this->code(), $place->start(), $place->end(), $this->sections($model, $place), "{$part} bows this figure otherwise than {$where}.",
            $place->notes,
            [
                new Remedy("{$part} bows it as {$where}", [$place->part() => Following::of($model->notes, $place->notes, true)], $model->part(), [$place->part() => Following::of($model->notes, $place->notes)]),
                new Remedy('Bow '.($model->part() === $place->part() ? "measure {$model->measure()}" : $orchestra->sections[$model->part()]->name()." at {$model->measure()}").' as it is here', [$model->part() => Following::of($place->notes, $model->notes, true)], $place->part(), [$model->part() => Following::of($place->notes, $model->notes)]),
            ],
        );
    }

    private function fingers(Orchestra $orchestra, FigurePlace $model, FigurePlace $place): ?OutOfLine
    {
        if ($orchestra->sections[$place->part()]->part->instrument !== $orchestra->sections[$model->part()]->part->instrument) {
            return null;
        }
        $decisions = $differing = [];
        foreach ($model->notes as $index => $note) {
            $other = $place->notes[$index];
            if ($note->midi() !== $other->midi()) {
                return null;
            }
            $hand = array_intersect_key($note->mark->decided, ['finger' => 1, 'placement' => 1, 'string' => 1]);
            if (! isset($hand['finger']) || ! isset($other->mark->finger->fingering)) {
                continue;
            }
            if ($other->mark->finger->fingering->stop->finger !== $hand['finger']) {
                $differing[] = $other;
                $decisions[] = Decision::onNote($other->id(), $hand);
            }
        }
        if ($decisions === []) {
            return null;
        }
        $part = $orchestra->sections[$place->part()]->name();
        $where = $this->where($orchestra, $model, $place);

        return new OutOfLine($this->code(), $place->start(), $place->end(), $this->sections($model, $place), "{$part} fingers these notes otherwise than {$where}.", $differing, [new Remedy("{$part} fingers them as {$where}", [$place->part() => $decisions], $model->part())]);
    }

    private function where(Orchestra $orchestra, FigurePlace $model, FigurePlace $place): string
    {
        return ($model->part() === $place->part() ? 'at' : $orchestra->sections[$model->part()]->name().' at')." measure {$model->measure()}";
    }

    /** @return non-empty-list<int> */
    private function sections(FigurePlace $model, FigurePlace $place): array
    {
        return $model->part() === $place->part() ? [$place->part()] : [$model->part(), $place->part()];
    }
}
