<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Practice\Exercises;

use UprightPencil\Core\Fingering\Trouble\PlayedNote;
use UprightPencil\Core\Teaching\Practice\Exercise;
use UprightPencil\Core\Teaching\Practice\Material;
use UprightPencil\Core\Teaching\Practice\NothingToPractise;
use UprightPencil\Core\Teaching\Practice\Step;

/** The finger pattern of a string: four of each, two of each, one of each, up and down with names; then the next string. */
final readonly class Fours implements Exercise
{
    private const STRINGS = 2;

    public function name(): string
    {
        return 'fours';
    }

    public function title(): string
    {
        return 'Finger pattern in fours, twos, ones';
    }

    public function because(Material $of): ?string
    {
        return $of->trouble('pattern-changes', 'low-and-regular', 'first-use', 'off-the-key', 'both-forms');
    }

    public function steps(Material $of): array
    {
        $steps = [];
        foreach (array_slice($of->strings(), 0, self::STRINGS) as $number => $string) {
            $notes = $of->pitches(static fn (PlayedNote $note): bool => $note->stop()->string === $string);
            count($notes) < 2 || $steps[] = $this->onString($of, $notes, $of->instrument->stringName($string), $number);
        }

        return $steps ?: throw new NothingToPractise("No string has two notes in {$of->where()}.");
    }

    /** @param list<PlayedNote> $notes */
    private function onString(Material $of, array $notes, string $string, int $number): Step
    {
        $tones = [];
        foreach ([4, 2, 1] as $each) {
            array_push($tones, ...UpAndDown::of($of, $notes, $each));
        }

        return $of->step($this, "Four, two, one of each on {$string}", ($number === 0 ? '' : 'The same hand on the next string: the elbow moves, not the fingers. ').'Say the names; check the fourth finger with the open string beside it.', 'Go on when the ones are as sure as the fours.', $of->staff("fours{$number}", $tones));
    }
}
