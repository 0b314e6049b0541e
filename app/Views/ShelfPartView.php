<?php

declare(strict_types=1);

namespace App\Views;

use UprightPencil\Core\Strings\Instrument;

/** A part on the shelf. */
final readonly class ShelfPartView
{
    /**
     * @param  int  $links  that are open
     */
    public function __construct(
        public int $id,
        public string $name,
        public Instrument $instrument,
        public int $measures,
        public int $decisions,
        public int $links,
    ) {}
}
