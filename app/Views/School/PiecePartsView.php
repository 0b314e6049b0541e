<?php

declare(strict_types=1);

namespace App\Views\School;

use App\Views\Desk\PartName;

/** A piece and its parts, by name. */
final readonly class PiecePartsView
{
    /**
     * @param  list<PartName>  $parts
     */
    public function __construct(
        public string $title,
        public array $parts,
    ) {}
}
