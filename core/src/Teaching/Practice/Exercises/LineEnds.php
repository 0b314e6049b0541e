<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Practice\Exercises;

use UprightPencil\Core\Teaching\Practice\Exercise;
use UprightPencil\Core\Teaching\Practice\Material;
use UprightPencil\Core\Teaching\Practice\NothingToPractise;
use UprightPencil\Core\Teaching\Practice\Step;

/** The last measure of a printed line into the first of the next: where eyes jump and hands forget. */
final readonly class LineEnds implements Exercise
{
    public function name(): string
    {
        return 'line-ends';
    }

    public function title(): string
    {
        return 'Line end into line beginning';
    }

    public function because(Material $of): ?string
    {
        return $of->lineBeginnings() === [] ? null : 'A line of the page ends here.';
    }

    public function steps(Material $of): array
    {
        $begins = $of->lineBeginnings() ?: ($of->hasMeasure($of->last + 1) ? [$of->last + 1] : ($of->last > $of->first ? [$of->last] : []));
        $begins === [] && throw new NothingToPractise("No line follows {$of->where()}.");

        return array_map(function (int $begin, int $number) use ($of): Step {
            $here = $of->at($begin - 1, $begin);

            return $here->step($this, "Measure {$here->measures[0]->number} into {$here->measures[1]->number}", 'Look ahead before the barline; a finger that the next line needs stays down.', 'Go on when there is no gap.', $here->asMarked("ends{$number}"), 4);
        }, $begins, array_keys($begins));
    }
}
