<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Practice;

use UprightPencil\Core\Teaching\Practice\Exercises\Drill;
use UprightPencil\Core\Teaching\Practice\Exercises\Fours;
use UprightPencil\Core\Teaching\Practice\Exercises\Hooks;
use UprightPencil\Core\Teaching\Practice\Exercises\IntoPitch;
use UprightPencil\Core\Teaching\Practice\Exercises\LineEnds;
use UprightPencil\Core\Teaching\Practice\Exercises\LongTones;
use UprightPencil\Core\Teaching\Practice\Exercises\Names;
use UprightPencil\Core\Teaching\Practice\Exercises\OneHand;
use UprightPencil\Core\Teaching\Practice\Exercises\OneString;
use UprightPencil\Core\Teaching\Practice\Exercises\OpenStrings;
use UprightPencil\Core\Teaching\Practice\Exercises\Rhythm;
use UprightPencil\Core\Teaching\Practice\Exercises\Separate;
use UprightPencil\Core\Teaching\Practice\Exercises\Shadow;
use UprightPencil\Core\Teaching\Practice\Exercises\Shift;
use UprightPencil\Core\Teaching\Practice\Exercises\TempoSteps;
use UprightPencil\Core\Teaching\Practice\Exercises\Units;

/** All kinds of practice, in the order in which they are done: left hand alone, bow alone, together, in tempo. */
final class Exercises
{
    /** @return list<Exercise> */
    public static function all(): array
    {
        return [
            new OneHand, new OneString, new Fours, new Drill, new IntoPitch, new Shift,
            new OpenStrings, new Shadow,
            new Rhythm, new Names, new LongTones, new Separate, new Hooks, new Units, new LineEnds,
            new TempoSteps,
        ];
    }

    /** @return list<string> */
    public static function names(): array
    {
        return array_map(static fn (Exercise $exercise): string => $exercise->name(), self::all());
    }

    public static function named(string $name): ?Exercise
    {
        foreach (self::all() as $exercise) {
            if ($exercise->name() === $name) {
                return $exercise;
            }
        }

        return null;
    }

    /** @return array<string, string> kind => why it helps here */
    public static function offered(Material $of): array
    {
        $offered = [];
        foreach (self::all() as $exercise) {
            $because = $exercise->because($of);
            $because === null || $offered[$exercise->name()] = $because;
        }

        return $offered;
    }
}
