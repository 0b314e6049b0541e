<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Marking\Orders;

/** The second and third of three equal beats are hooked: down, up-up. */
final class PairedBeats extends BowedRun
{
    protected function value(): string
    {
        return 'pair';
    }

    public function order(Orders $orders, string $note, mixed $value): void
    {
        $orders->paired[$note] = true;
    }
}
