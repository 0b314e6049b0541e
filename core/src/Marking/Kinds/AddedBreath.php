<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\Revision;
use UprightPencil\Core\Score\Note;

/** A breath (a lift of all together) after the note, added or struck. */
final class AddedBreath extends AddedOrStruck
{
    public function name(): string
    {
        return 'breath';
    }

    public function revise(Revision $revision, mixed $value): void
    {
        $revision->breath($value === true);
    }

    protected function spoken(): string
    {
        return 'breath after it';
    }

    public function isPrinted(Note $note, MarkedPage $page): bool
    {
        return $note->breath;
    }
}
