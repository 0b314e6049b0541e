<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Bowing\Travel\Stagger;
use UprightPencil\Core\Marking\Orders;

/** How many desks share a staggered note. */
final class StaggerDesks extends Kind
{
    public function name(): string
    {
        return 'desks';
    }

    public function field(): string
    {
        return 'desks';
    }

    public function rule(): string
    {
        return '“desks” says how many desks stagger a held note, 1 to '.Stagger::MOST_DESKS.'.';
    }

    public function accepts(mixed $value, Reach $reach): bool
    {
        return is_int($value) && $value >= 1 && $value <= Stagger::MOST_DESKS && $reach === Reach::Note;
    }

    public function order(Orders $orders, string $note, mixed $value): void
    {
        is_int($value) && $orders->times[$note] = $value;
    }
}
