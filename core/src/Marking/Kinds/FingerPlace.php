<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Marking\Orders;
use UprightPencil\Core\Strings\Placement;

/** Low, high, extended, open, harmonic or in its usual place. It is drawn with the finger. */
final class FingerPlace extends Kind
{
    public const FIELD = 'placement';

    public function name(): string
    {
        return 'placement';
    }

    public function field(): string
    {
        return self::FIELD;
    }

    public function rule(): string
    {
        return 'A placement is one of '.implode(', ', array_column(Placement::cases(), 'value')).', on one note.';
    }

    public function accepts(mixed $value, Reach $reach): bool
    {
        return is_string($value) && Placement::tryFrom($value) !== null && $reach === Reach::Note;
    }

    public function displaces(): array
    {
        return [Choice::FIELD, MarksWritten::FINGER];
    }

    public function order(Orders $orders, string $note, mixed $value): void
    {
        is_string($value) && $orders->lock($note)->placement = Placement::from($value);
    }

    public function isOfTheHand(): bool
    {
        return true;
    }
}
