<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\NoteMark;

/** The rest before an entry, counted. */
final class RestCount extends WrittenWord
{
    public function name(): string
    {
        return 'count';
    }

    public function rule(): string
    {
        return '“count” is true where the rest before the note is counted.';
    }

    public function accepts(mixed $value, Reach $reach): bool
    {
        return $value === true && $reach === Reach::Note;
    }

    protected function text(mixed $value, NoteMark $note, MarkedPage $page): ?string
    {
        $count = $page->restBefore($note);

        return $count === null ? null : $page->style->vocabulary->say($count);
    }

    public function words(DrawnMark $mark, MarkedPage $page): string
    {
        return "{$mark->text} before it";
    }

    public function isCarried(): bool
    {
        return false;
    }
}
