<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\NoteMark;

/** Low or high, said once more. */
final class LowHighReminder extends WrittenWord
{
    public function name(): string
    {
        return 'reminder';
    }

    public function rule(): string
    {
        return 'A reminder is low or high, on one note.';
    }

    public function accepts(mixed $value, Reach $reach): bool
    {
        return in_array($value, ['low', 'high'], true) && $reach === Reach::Note;
    }

    protected function text(mixed $value, NoteMark $note, MarkedPage $page): ?string
    {
        return is_string($value) ? "{$value}!" : null;
    }

    public function words(DrawnMark $mark, MarkedPage $page): string
    {
        return 'reminder: '.rtrim((string) $mark->text, '!');
    }

    public function isOfTheHand(): bool
    {
        return true;
    }
}
