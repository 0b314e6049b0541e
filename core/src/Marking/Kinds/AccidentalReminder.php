<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\NoteMark;

/** The accidental of a note in brackets. */
final class AccidentalReminder extends WrittenWord
{
    private const SIGNS = [-2 => '(𝄫)', -1 => '(♭)', 0 => '(♮)', 1 => '(♯)', 2 => '(𝄪)'];

    public function name(): string
    {
        return 'accidental';
    }

    public function rule(): string
    {
        return '“accidental” is true where the accidental is written as a reminder.';
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
        return $note->note->pitch === null ? null : self::SIGNS[(int) $note->note->pitch->alter] ?? null;
    }

    public function words(DrawnMark $mark, MarkedPage $page): string
    {
        return "write {$mark->text} before it";
    }
}
