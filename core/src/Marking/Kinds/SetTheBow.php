<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\NoteMark;

/** The bow is set on the string, in silence, before the note starts. */
final class SetTheBow extends WrittenWord
{
    public function name(): string
    {
        return 'set';
    }

    public function rule(): string
    {
        return '“set” is true where the bow is set on the string before the note.';
    }

    public function accepts(mixed $value, Reach $reach): bool
    {
        return $value === true && $reach === Reach::Note;
    }

    protected function text(mixed $value, NoteMark $note, MarkedPage $page): string
    {
        return 'set';
    }

    public function words(DrawnMark $mark, MarkedPage $page): string
    {
        return 'set the bow on the string first';
    }
}
