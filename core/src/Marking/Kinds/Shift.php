<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Fingering\Grips\FingerLink;
use UprightPencil\Core\Marking\Orders;

/** The hand moves here, or does not. It is drawn as the position and finger that come of it. */
final class Shift extends Kind
{
    public function name(): string
    {
        return 'shift';
    }

    public function field(): string
    {
        return 'shift';
    }

    public function rule(): string
    {
        return '“shift” is true where the hand moves to the note, false where it stays.';
    }

    public function accepts(mixed $value, Reach $reach): bool
    {
        return is_bool($value) && $reach === Reach::Note;
    }

    public function order(Orders $orders, string $note, mixed $value): void
    {
        $orders->links[$note] = $value === true ? FingerLink::Shift : FingerLink::Stay;
    }

    public function isOfTheHand(): bool
    {
        return true;
    }
}
