<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\NoteMark;

/** The name of a note, for those who miss it. */
final class NoteName extends WrittenWord
{
    public function name(): string
    {
        return 'noteName';
    }

    public function rule(): string
    {
        return '“noteName” is true where the name of the note is written.';
    }

    public function accepts(mixed $value, Reach $reach): bool
    {
        return $value === true;
    }

    public function across(mixed $value, array $notes, ?string $after): array
    {
        return array_fill_keys($notes, $value);
    }

    protected function text(mixed $value, NoteMark $note, MarkedPage $page): ?string
    {
        $letter = $note->note->pitch?->spokenLetter();

        return $letter === null ? null : $page->style->vocabulary->noteName($letter);
    }

    public function words(DrawnMark $mark, MarkedPage $page): string
    {
        return "write its name, {$mark->text}";
    }
}
