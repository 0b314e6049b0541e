<?php

declare(strict_types=1);

namespace App\Views\Piece;

/** A part is silent. */
final readonly class TacetView
{
    public function __construct(
        public string $part,
        public string $from,
        public string $to,
    ) {}
}
