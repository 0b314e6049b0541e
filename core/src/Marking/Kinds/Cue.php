<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\NoteMark;

/** Who is heard before an entry. */
final class Cue extends WrittenWord
{
    public function name(): string
    {
        return 'cue';
    }

    public function rule(): string
    {
        return 'A cue is a text of up to 80 characters: who is heard before this entry.';
    }

    public function accepts(mixed $value, Reach $reach): bool
    {
        return is_string($value) && trim($value) !== '' && mb_strlen($value) <= 80 && $reach === Reach::Note;
    }

    protected function text(mixed $value, NoteMark $note, MarkedPage $page): ?string
    {
        return is_string($value) ? "after {$value}" : null;
    }

    public function words(DrawnMark $mark, MarkedPage $page): string
    {
        return "cue: {$mark->text}";
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
