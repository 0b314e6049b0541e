<?php

declare(strict_types=1);

namespace App\Views\Desk;

use App\Models\Rights;

/** The piece of the part on the desk. */
final readonly class DeskPieceView
{
    public function __construct(
        public int $id,
        public string $title,
        public string $composer,
        public Rights $rights,
    ) {}
}
