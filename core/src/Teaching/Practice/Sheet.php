<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Practice;

use UprightPencil\Core\Score\Direction;
use UprightPencil\Core\Score\DirectionKind;
use UprightPencil\Core\Score\DirectionSign;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Teaching\Page;

/** Steps put together in the order in which they are done, as many as fit the minutes. */
final readonly class Sheet
{
    /**
     * @param  list<Step>  $steps
     * @param  list<Step>  $leftOut  what did not fit
     */
    private function __construct(public array $steps, public array $leftOut) {}

    /**
     * @param  list<string>  $kinds  of exercise, in any order
     * @param  int|null  $minutes  null: as long as it takes
     *
     * @throws NothingToPractise where one of them has nothing to work with
     */
    public static function of(Material $of, array $kinds, ?int $minutes = null): self
    {
        $all = [];
        foreach (Exercises::all() as $exercise) {
            in_array($exercise->name(), $kinds, true) && array_push($all, ...$exercise->steps($of));
        }

        return self::ofSteps($all, $minutes);
    }

    /** @param list<Step> $all in the order in which they are done */
    public static function ofSteps(array $all, ?int $minutes): self
    {
        $steps = $out = [];
        $left = $minutes === null ? INF : 60.0 * $minutes;
        foreach ($all as $step) {
            if ($step->seconds() <= $left) {
                $steps[] = $step;
                $left -= $step->seconds();
            } else {
                $out[] = $step;
            }
        }

        return new self($steps, $out);
    }

    public function seconds(): int
    {
        return (int) ceil(array_sum(array_map(static fn (Step $step): float => $step->seconds(), $this->steps)));
    }

    /**
     * All steps under each other, each on a line of its own.
     *
     * @param  bool  $titled  over each stands what it is and how fast
     */
    public function score(Material $of, bool $titled = true): Score
    {
        $page = new Page;
        foreach ($this->steps as $place => $step) {
            $words = ($place + 1).". {$step->title}, {$step->pace()}".($step->times > 1 ? ", {$step->times} times" : '');
            $page->add($step->measures, new Direction(0, $titled ? [new DirectionSign(DirectionKind::Words, $words)] : [], placement: 'above', sound: ['tempo' => (string) $step->tempos[0]], soundOnly: ! $titled));
        }
        $name = $of->part->part->name;

        return new Score("{$name}: practice for {$of->where()}", '', $of->resolution, [new Part($of->part->part->id, $name, $page->measures())]);
    }
}
