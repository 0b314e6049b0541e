<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Practice\Exercises;

use UprightPencil\Core\Score\Articulation;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Technical;
use UprightPencil\Core\Teaching\Practice\Exercise;
use UprightPencil\Core\Teaching\Practice\Material;
use UprightPencil\Core\Teaching\Practice\NothingToPractise;

/** All separate bows first, then slurred. */
final readonly class Separate implements Exercise
{
    public function name(): string
    {
        return 'separate';
    }

    public function title(): string
    {
        return 'All separate, then slurred';
    }

    public function because(Material $of): ?string
    {
        return $of->hasSlurs() ? 'There are slurs: pitch and rhythm are sure first, a bow a note.' : null;
    }

    public function steps(Material $of): array
    {
        $of->hasSlurs() || throw new NothingToPractise("There is no slur in {$of->where()}: all of it is separate already.");
        $first = array_key_first($of->marks);
        $under = SlurredNotes::of($of);
        $separate = $of->changed('separate', static fn (Note $note): Note => $note->with(
            slurs: [],
            // The dots of a hook go with it.
            articulations: isset($under[$note->id]) ? array_values(array_filter($note->articulations, static fn (Articulation $sign): bool => $sign !== Articulation::Staccato)) : $note->articulations,
            technical: new Technical($note->id === $first ? $of->firstBow() : null, $note->technical->finger, $note->technical->string, $note->technical->open, $note->technical->harmonic),
            breath: false,
        ));

        return [
            $of->step($this, 'All separate', 'A bow for every note, down and up by turns.', 'Go on when all of it is in tune at this tempo.', $separate, 2),
            $of->step($this, 'Slurred', 'As it is marked.', 'Go on when nothing is lost against before.', $of->asMarked('slurred'), 2),
        ];
    }
}
