<?php

declare(strict_types=1);

namespace App\Views\Piece;

/** An order of performance as somebody decided it. */
final readonly class OrderVersionView
{
    public function __construct(
        public int $id,
        public string $by,
        public string $at,
        public OrderView $order,
    ) {}
}
