<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\Revision;
use UprightPencil\Core\Score\Note;

/** A fermata added or struck. */
final class AddedFermata extends AddedOrStruck
{
    public function name(): string
    {
        return 'fermata';
    }

    public function revise(Revision $revision, mixed $value): void
    {
        $revision->fermata($value === true);
    }

    public function isPrinted(Note $note, MarkedPage $page): bool
    {
        return $note->fermata;
    }
}
