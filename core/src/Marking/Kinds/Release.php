<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\NoteMark;

/** The beat on which a note is released. */
final class Release extends WrittenWord
{
    public function name(): string
    {
        return 'release';
    }

    public function rule(): string
    {
        return '“release” is true where the beat is written on which the note ends.';
    }

    public function accepts(mixed $value, Reach $reach): bool
    {
        return $value === true;
    }

    protected function text(mixed $value, NoteMark $note, MarkedPage $page): string
    {
        return "off on {$page->endBeat($note)}";
    }

    public function isCarried(): bool
    {
        return false;
    }
}
