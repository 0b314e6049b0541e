<?php

declare(strict_types=1);

namespace App\Views\Piece;

/** A stretch of a piece that has a name. */
final readonly class PassageView
{
    public function __construct(
        public string $name,
        public string $from,
        public string $to,
    ) {}
}
