<?php

declare(strict_types=1);

namespace App\Views\Piece;

/** All sections of a piece against its passages. */
final readonly class PassageTableView
{
    /**
     * @param  list<string>  $passages  names
     * @param  list<PassageRowView>  $rows
     */
    public function __construct(
        public array $passages,
        public array $rows,
    ) {}
}
