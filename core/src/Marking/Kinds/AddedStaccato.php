<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\Revision;
use UprightPencil\Core\Score\Articulation;
use UprightPencil\Core\Score\Note;

/** A staccato dot added or struck. */
final class AddedStaccato extends AddedOrStruck
{
    public function name(): string
    {
        return 'staccato';
    }

    public function revise(Revision $revision, mixed $value): void
    {
        $revision->articulation(Articulation::Staccato, $value === true);
    }

    public function isPrinted(Note $note, MarkedPage $page): bool
    {
        return $note->has(Articulation::Staccato);
    }
}
