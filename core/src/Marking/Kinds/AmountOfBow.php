<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Bowing\Marks\BowAmount;
use UprightPencil\Core\Marking\Orders;

/** How much bow is used. */
final class AmountOfBow extends HeldWord
{
    public function name(): string
    {
        return 'amount';
    }

    public function field(): string
    {
        return 'amount';
    }

    public function spellings(): array
    {
        return array_combine(array_column(BowAmount::cases(), 'value'), array_map(static fn (BowAmount $amount): string => $amount->words(), BowAmount::cases()));
    }

    public function order(Orders $orders, string $note, mixed $value): void
    {
        is_string($value) && $orders->amounts[$note] = BowAmount::from($value);
    }

    protected function number(): int
    {
        return 2;
    }
}
