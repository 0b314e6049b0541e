<?php

declare(strict_types=1);

namespace App\Views\Piece;

/** What was made. */
final readonly class MadeView
{
    public function __construct(
        public int $id,
    ) {}
}
