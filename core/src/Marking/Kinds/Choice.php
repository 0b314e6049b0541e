<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Marking\Orders;

/** Open string or fourth finger, as the player likes. It is drawn as the finger. */
final class Choice extends Kind
{
    public const FIELD = 'choice';

    /** How the fingers of such a note stand in a file. */
    public const PRINTED = '0 4';

    public function name(): string
    {
        return 'choice';
    }

    public function field(): string
    {
        return self::FIELD;
    }

    public function rule(): string
    {
        return '“choice” is true where open string or fourth finger is the player’s choice.';
    }

    public function accepts(mixed $value, Reach $reach): bool
    {
        return is_bool($value) && $reach === Reach::Note;
    }

    public function displaces(): array
    {
        return [Finger::FIELD, FingerPlace::FIELD, OnString::FIELD, Position::FIELD, MarksWritten::FINGER];
    }

    public function order(Orders $orders, string $note, mixed $value): void
    {
        $value === true && $orders->open[$note] = true;
    }

    public function isOfTheHand(): bool
    {
        return true;
    }
}
