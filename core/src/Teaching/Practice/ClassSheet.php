<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Practice;

use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Resolution;
use UprightPencil\Core\Score\Score;

/** Practice for several sections together, under each other: those steps that all of them have, measure by measure. */
final readonly class ClassSheet
{
    /** Kinds that change only the bows of the music: a section that has nothing to change plays what is there. */
    private const OVER_THE_MUSIC = ['hooks', 'separate'];

    /**
     * @param  non-empty-list<Material>  $materials  a section each
     * @param  non-empty-list<Sheet>  $sheets  one for each, step by step the same
     * @param  list<string>  $apart  titles of what not all of them have alike
     */
    private function __construct(private array $materials, public array $sheets, public array $apart) {}

    /**
     * @param  non-empty-list<Material>  $materials
     * @param  list<string>  $kinds
     *
     * @throws NothingToPractise where no step is everybody's
     */
    public static function of(array $materials, array $kinds, ?int $minutes = null): self
    {
        $steps = array_fill(0, count($materials), []);
        $apart = [];
        foreach (Exercises::all() as $exercise) {
            if (! in_array($exercise->name(), $kinds, true)) {
                continue;
            }
            $each = self::together($exercise, $materials);
            if ($each === null) {
                $apart[] = $exercise->title();

                continue;
            }
            foreach ($each as $index => $own) {
                array_push($steps[$index], ...$own);
            }
        }
        $steps[0] === [] && throw new NothingToPractise("The sections have nothing of that in common in {$materials[0]->where()}: make it for each by itself.");

        return new self($materials, array_map(static fn (array $own): Sheet => Sheet::ofSteps($own, $minutes), $steps), $apart);
    }

    /**
     * @param  non-empty-list<Material>  $materials
     * @return list<list<Step>>|null null where somebody has no such step, or one of another length
     */
    private static function together(Exercise $exercise, array $materials): ?array
    {
        $each = array_map(static fn (Material $of): ?array => self::steps($exercise, $of), $materials);
        $model = array_values(array_filter($each))[0] ?? null;
        if ($model === null || (in_array(null, $each, true) && ! in_array($exercise->name(), self::OVER_THE_MUSIC, true))) {
            return null;
        }
        $each = array_map(static fn (?array $steps, Material $of): array => $steps ?? self::asWritten($model, $of), $each, $materials);
        foreach ($each as $steps) {
            if (self::shape($steps) !== self::shape($each[0])) {
                return null;
            }
        }

        return $each;
    }

    /** @return list<Step>|null null where there is nothing of it */
    private static function steps(Exercise $exercise, Material $of): ?array
    {
        try {
            return $exercise->steps($of);
        } catch (NothingToPractise) {
            return null;
        }
    }

    /**
     * Who has no slur plays along as it is written.
     *
     * @param  list<Step>  $model
     * @return list<Step>
     */
    private static function asWritten(array $model, Material $of): array
    {
        return array_map(static fn (Step $step, int $number): Step => $step->with(measures: $of->asMarked("along{$number}-{$step->kind}"), resolution: $of->resolution), $model, array_keys($model));
    }

    /**
     * @param  list<Step>  $steps
     * @return list<list<float>> how long the measures of each are, in quarters
     */
    private static function shape(array $steps): array
    {
        return array_map(static fn (Step $step): array => array_map(static fn (Measure $measure): float => $measure->length / $step->resolution, $step->measures), $steps);
    }

    /** One part for each section; the notes of the first have the names that they have on its own sheet. */
    public function score(): Score
    {
        return Resolution::together(array_map(static function (int $index, Sheet $sheet, Material $of): Score {
            $score = $sheet->score($of, $index === 0);
            $part = $score->parts[0]->with(id: 'P'.($index + 1));

            return $score->with(parts: [$index === 0 ? $part : $part->withNotes(static fn (Note $note): Note => $note->with(id: "s{$index}-{$note->id}"))]);
        }, array_keys($this->sheets), $this->sheets, $this->materials));
    }
}
