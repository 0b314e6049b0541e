<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Practice\Exercises;

use UprightPencil\Core\Fingering\Trouble\PlayedNote;
use UprightPencil\Core\Teaching\Practice\Exercise;
use UprightPencil\Core\Teaching\Practice\Material;
use UprightPencil\Core\Teaching\Practice\NothingToPractise;
use UprightPencil\Core\Teaching\Practice\Step;

/** All notes of one string, up and down, string by string. */
final readonly class OneString implements Exercise
{
    public function name(): string
    {
        return 'one-string';
    }

    public function title(): string
    {
        return 'All notes on one string';
    }

    public function because(Material $of): ?string
    {
        return $of->trouble('pattern-changes') ?? (count($of->strings()) > 2 ? 'Three strings and more are used: each has its own shape of the hand.' : null);
    }

    public function steps(Material $of): array
    {
        $strings = array_values(array_filter($of->strings(), static fn (int $string): bool => count($of->pitches(static fn (PlayedNote $note): bool => $note->stop()->string === $string)) > 1));
        $strings === [] && throw new NothingToPractise("No string has two notes in {$of->where()}.");

        return array_map(function (int $string, int $number) use ($of): Step {
            $notes = $of->pitches(static fn (PlayedNote $note): bool => $note->stop()->string === $string);
            $name = $of->instrument->stringName($string);

            return $of->step($this, "The {$name} string", 'Up and down without rhythm; look where the half steps lie.', 'Go on when the shape of the hand is known without looking.', $of->staff("string{$number}", UpAndDown::of($of, $notes, 1)), 2);
        }, $strings, array_keys($strings));
    }
}
