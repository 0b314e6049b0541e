<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Practice\Exercises;

use UprightPencil\Core\Teaching\Practice\Exercise;
use UprightPencil\Core\Teaching\Practice\Material;

/** The passage as it is, from a comfortable tempo to the goal, with a rest after each. */
final readonly class TempoSteps implements Exercise
{
    private const ROUNDS = 4;

    public function name(): string
    {
        return 'tempo-steps';
    }

    public function title(): string
    {
        return 'Tempo, step by step';
    }

    public function because(Material $of): string
    {
        return 'The goal is '.round($of->part->tempo).'; it is reached in steps.';
    }

    public function steps(Material $of): array
    {
        $goal = $of->part->tempo;
        $slow = min($goal, $of->slow());
        $tempos = array_values(array_unique(array_map(static fn (int $round): float => round($slow + ($goal - $slow) * $round / (self::ROUNDS - 1)), range(0, self::ROUNDS - 1))));

        return [$of->step($this, $this->title(), 'The whole passage, twice at each tempo; a rest after each, hands down.', 'Go on when both times were clean; go back a step when one was not.', $of->asMarked('tempo'), 2, $tempos)];
    }
}
