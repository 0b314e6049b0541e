<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\NoteEdit;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\Orders;

final class OnString extends Kind
{
    public const FIELD = 'string';

    public function name(): string
    {
        return 'string';
    }

    public function field(): string
    {
        return self::FIELD;
    }

    public function rule(): string
    {
        return 'A string is named by its letter.';
    }

    public function accepts(mixed $value, Reach $reach): bool
    {
        return is_string($value) && preg_match('/^[A-G]$/', $value) === 1;
    }

    public function displaces(): array
    {
        return [MarksWritten::FINGER];
    }

    public function order(Orders $orders, string $note, mixed $value): void
    {
        is_string($value) && $orders->lock($note)->string = $value;
    }

    public function drawn(NoteMark $note, MarkedPage $page): array
    {
        $text = $page->stringWritten($note);

        return $text === null ? [] : [new DrawnMark($note, $this, $text)];
    }

    public function taken(NoteMark $note, MarkedPage $page): array
    {
        return $this->drawn($note, $page) === [] ? [] : [self::FIELD => $note->finger?->string];
    }

    public function words(DrawnMark $mark, MarkedPage $page): string
    {
        return "on the {$mark->text} string";
    }

    public function write(NoteEdit $edit, NoteMark $note, MarkedPage $page): void
    {
        if ($note->finger !== null && $note->finger->written && ($note->isDecided(self::FIELD) || ($note->finger->fingering->position > 1 && $note->finger->fingering->stop->finger > 0))) {
            $edit->string = 4 - $note->finger->fingering->stop->string;
        }
    }

    public function isProposed(): bool
    {
        return true;
    }

    public function isOfTheHand(): bool
    {
        return true;
    }
}
