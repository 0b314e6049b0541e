<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Bowing\Strokes\ChangePlace;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\Orders;

/** How often the bow changes on a held note. */
final class ChangeTimes extends Kind
{
    /** The decision with a number of changes, where there are more than one. */
    public static function added(Decision $decision, ?int $times): Decision
    {
        return $times === null ? $decision : $decision->and(Decision::onNote((string) $decision->note, ['times' => $times]));
    }

    public function name(): string
    {
        return 'times';
    }

    public function field(): string
    {
        return 'times';
    }

    public function rule(): string
    {
        return '“times” says how many changes a held note has, 1 to '.(ChangePlace::MOST_PIECES - 1).'.';
    }

    public function accepts(mixed $value, Reach $reach): bool
    {
        return is_int($value) && $value >= 1 && $value < ChangePlace::MOST_PIECES && $reach === Reach::Note;
    }

    public function order(Orders $orders, string $note, mixed $value): void
    {
        is_int($value) && $orders->times[$note] = $value;
    }
}
