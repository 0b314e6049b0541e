<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Practice\Exercises;

use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Score\Articulation;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Teaching\Practice\Exercise;
use UprightPencil\Core\Teaching\Practice\Material;
use UprightPencil\Core\Teaching\Practice\NothingToPractise;

/** Each slur as a hook first, with a stop in which the next finger is planted; then plain. */
final readonly class Hooks implements Exercise
{
    public function name(): string
    {
        return 'hooks';
    }

    public function title(): string
    {
        return 'Slurs as hooks, then plain';
    }

    public function because(Material $of): ?string
    {
        return $of->trouble('shift-in-slur') ?? ($of->hasSlurs() ? 'There are slurs: with a stop between their notes, each finger is there before it sounds.' : null);
    }

    public function steps(Material $of): array
    {
        $of->hasSlurs() || throw new NothingToPractise("There is no slur in {$of->where()} to hook.");
        $under = SlurredNotes::of($of);
        $hooked = $of->changed('hooks', static fn (Note $note, ?NoteMark $mark): Note => isset($under[$note->id]) && ! $note->tieStart && ! $note->tieStop
            ? $note->with(articulations: [Articulation::Staccato, ...array_values(array_filter($note->articulations, static fn (Articulation $sign): bool => $sign !== Articulation::Staccato))])
            : $note);

        return [
            $of->step($this, 'Slurs as hooks', 'In each slur the bow stops between the notes; plant the next finger in the stop. The bow is shared evenly.', 'Go on when every stop is silent.', $hooked, 2),
            $of->step($this, 'Slurs plain', 'The same without the stops.', 'Go on when it sounds as one bow.', $of->asMarked('plain'), 2),
        ];
    }
}
