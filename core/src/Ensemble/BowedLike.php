<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble;

use UprightPencil\Core\Ensemble\Comparing\Following;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Strings\Instrument;

/**
 * One decision for all places of a figure: they are bowed like one of them. What was decided otherwise by hand is left, and so is
 * what is meant to differ; fingers that are decided go along where the strings make them the same.
 */
final readonly class BowedLike
{
    /**
     * @param  array<int, list<Decision>>  $decisions  by section
     * @param  list<FigurePlace>  $taken  that are bowed like the model now
     * @param  list<FigurePlace>  $left  that were decided otherwise
     * @param  list<FigurePlace>  $fingered  of those taken, where the fingers go along
     */
    private function __construct(
        public array $decisions,
        public array $taken,
        public array $left,
        public array $fingered,
    ) {}

    /**
     * @param  FigurePlace  $model  one of its places
     * @param  bool  $everyStroke  false: only where the bow does not simply alternate
     */
    public static function of(Orchestra $orchestra, Figure $figure, FigurePlace $model, bool $everyStroke = true): self
    {
        $decisions = [$model->part() => Following::of($model->notes, $model->notes, $everyStroke)];
        $taken = [$model];
        $left = $fingered = [];
        foreach ($figure->places as $place) {
            if ($place === $model) {
                continue;
            }
            if ($place->isException() || self::isDecidedOtherwise($model, $place)) {
                $left[] = $place;

                continue;
            }
            $taken[] = $place;
            $fingers = self::fingers($orchestra, $model, $place);
            $fingers === [] || $fingered[] = $place;
            $decisions[$place->part()] = [...$decisions[$place->part()] ?? [], ...Following::of($model->notes, $place->notes, $everyStroke), ...$fingers];
        }

        return new self($decisions, $taken, $left, $fingered);
    }

    /**
     * Whether all places that were taken come out alike.
     *
     * @param  list<Section>  $sections  as they are marked with it
     */
    public function suffices(Figure $figure, array $sections): bool
    {
        $after = $figure->in($sections);
        $bows = [];
        foreach ($after->places ?? [] as $index => $place) {
            in_array($figure->places[$index], $this->taken, true) && $bows[$place->directions()] = true;
        }

        return count($bows) === 1;
    }

    private static function isDecidedOtherwise(FigurePlace $model, FigurePlace $place): bool
    {
        foreach ($place->notes as $index => $note) {
            $own = $note->mark->said('direction');
            if ($own !== null && $own !== $model->notes[$index]->mark->bow?->direction?->value) {
                return true;
            }
        }

        return false;
    }

    /** @return list<Decision> */
    private static function fingers(Orchestra $orchestra, FigurePlace $model, FigurePlace $place): array
    {
        [$from, $to] = [$orchestra->sections[$model->part()]->part->instrument, $orchestra->sections[$place->part()]->part->instrument];
        $over = self::stringsOver($from, $to, $model, $place);
        if ($over === null) {
            return [];
        }
        $decisions = [];
        foreach ($model->notes as $index => $note) {
            $hand = array_intersect_key($note->mark->decided, ['finger' => 1, 'placement' => 1, 'string' => 1]);
            $there = isset($hand['string']) && is_string($hand['string']) ? StringsOver::name($hand['string'], $over, $from, $to) : null;
            $isDecided = array_intersect_key($place->notes[$index]->mark->decided, $hand) !== [];
            if ($hand === [] || $isDecided || (isset($hand['string']) && $there === null)) {
                continue;
            }
            $decisions[] = Decision::onNote($place->notes[$index]->id(), [...$hand, ...$there === null ? [] : ['string' => $there]]);
        }

        return $decisions;
    }

    /** Strings by which all notes lie lower in the order of the strings, so that the same fingers play them; null where they do not. */
    private static function stringsOver(Instrument $from, Instrument $to, FigurePlace $model, FigurePlace $place): ?int
    {
        $upper = [Instrument::Violin, Instrument::Viola];
        if ($from !== $to && (! in_array($from, $upper, true) || ! in_array($to, $upper, true))) {
            return null;
        }
        $moved = [];
        foreach ($model->notes as $index => $note) {
            $moved[$place->notes[$index]->midi() - $note->midi()] = true;
        }

        return StringsOver::of($moved, $from, $to);
    }
}
