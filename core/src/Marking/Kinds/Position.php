<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\HouseStyle;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\NoteEdit;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\Orders;

final class Position extends Kind
{
    public const FIELD = 'position';

    public function name(): string
    {
        return 'position';
    }

    public function field(): string
    {
        return self::FIELD;
    }

    public function rule(): string
    {
        return 'A position is a number; half position is 0.5.';
    }

    public function accepts(mixed $value, Reach $reach): bool
    {
        return (is_int($value) || is_float($value)) && $value > 0 && $value <= 12;
    }

    public function displaces(): array
    {
        return [MarksWritten::FINGER];
    }

    public function order(Orders $orders, string $note, mixed $value): void
    {
        is_numeric($value) && $orders->lock($note)->position = (float) $value;
    }

    public function heard(string $words): array
    {
        $position = preg_match('/^position (\S+)$/u', $words, $found) === 1 ? HouseStyle::positionNamed($found[1]) : null;

        return $position === null ? [] : [self::FIELD => $position];
    }

    public function drawn(NoteMark $note, MarkedPage $page): array
    {
        $text = $note->finger !== null && $note->finger->moves && $page->writesFinger($note) ? $page->style->position($note->finger->fingering) : null;

        return $text === null ? [] : [new DrawnMark($note, $this, $text)];
    }

    public function taken(NoteMark $note, MarkedPage $page): array
    {
        return $this->drawn($note, $page) === [] ? [] : [self::FIELD => $note->finger?->fingering->position];
    }

    public function words(DrawnMark $mark, MarkedPage $page): string
    {
        return "position {$mark->text}";
    }

    public function write(NoteEdit $edit, NoteMark $note, MarkedPage $page): void
    {
        $text = $note->finger !== null && $note->finger->moves && $note->finger->written ? $page->style->position($note->finger->fingering) : null;
        $text === null || $edit->say("position {$text}");
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
