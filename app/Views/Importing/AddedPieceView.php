<?php

declare(strict_types=1);

namespace App\Views\Importing;

/** A piece that was just kept. */
final readonly class AddedPieceView
{
    /**
     * @param  int  $part  id of its first part
     */
    public function __construct(
        public int $id,
        public int $part,
    ) {}
}
