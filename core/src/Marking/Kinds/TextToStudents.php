<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\NoteMark;

/** A few words to the players. */
final class TextToStudents extends WrittenWord
{
    public function name(): string
    {
        return 'text';
    }

    public function rule(): string
    {
        return 'A text is up to 200 characters.';
    }

    public function accepts(mixed $value, Reach $reach): bool
    {
        return is_string($value) && trim($value) !== '' && mb_strlen($value) <= 200;
    }

    protected function text(mixed $value, NoteMark $note, MarkedPage $page): ?string
    {
        return is_string($value) ? trim($value) : null;
    }

    public function words(DrawnMark $mark, MarkedPage $page): string
    {
        return "“{$mark->text}”";
    }

    public function isTyped(): bool
    {
        return true;
    }
}
