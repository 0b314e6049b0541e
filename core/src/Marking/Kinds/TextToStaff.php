<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\NoteEdit;
use UprightPencil\Core\Marking\NoteMark;

/** A few words to those who teach the part. Students never see them. */
final class TextToStaff extends WrittenWord
{
    public function name(): string
    {
        return 'staffText';
    }

    public function rule(): string
    {
        return 'A text is up to 200 characters.';
    }

    public function isForStaff(): bool
    {
        return true;
    }

    public function accepts(mixed $value, Reach $reach): bool
    {
        return is_string($value) && trim($value) !== '' && mb_strlen($value) <= 200;
    }

    protected function text(mixed $value, NoteMark $note, MarkedPage $page): ?string
    {
        // Square brackets tell it from words that the players see.
        return is_string($value) ? '['.trim($value).']' : null;
    }

    public function words(DrawnMark $mark, MarkedPage $page): string
    {
        return 'to staff: '.trim((string) $mark->text, '[]');
    }

    public function write(NoteEdit $edit, NoteMark $note, MarkedPage $page): void
    {
        // What is for staff leaves with no file.
    }

    public function isTyped(): bool
    {
        return true;
    }

    public function isCarried(): bool
    {
        return false;
    }
}
