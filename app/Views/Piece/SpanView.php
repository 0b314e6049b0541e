<?php

declare(strict_types=1);

namespace App\Views\Piece;

/** From one measure to another, both included, as they are printed. */
final readonly class SpanView
{
    public function __construct(
        public string $from,
        public string $to,
    ) {}
}
