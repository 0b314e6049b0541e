<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Marking\Orders;

/** Every dotted pair is hooked. */
final class HookedPairs extends BowedRun
{
    protected function value(): string
    {
        return 'hook';
    }

    public function name(): string
    {
        return 'hooked-pairs';
    }

    public function order(Orders $orders, string $note, mixed $value): void
    {
        $orders->hooked[$note] = true;
    }
}
