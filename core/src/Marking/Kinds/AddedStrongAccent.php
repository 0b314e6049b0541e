<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\Revision;
use UprightPencil\Core\Score\Articulation;
use UprightPencil\Core\Score\Note;

/** A strong accent added or struck. */
final class AddedStrongAccent extends AddedOrStruck
{
    public function name(): string
    {
        return 'strongAccent';
    }

    public function revise(Revision $revision, mixed $value): void
    {
        $revision->articulation(Articulation::StrongAccent, $value === true);
    }

    public function isPrinted(Note $note, MarkedPage $page): bool
    {
        return $note->has(Articulation::StrongAccent);
    }
}
