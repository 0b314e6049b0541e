<?php

declare(strict_types=1);

namespace App\Views\Shelf;

use UprightPencil\Core\Strings\Instrument;

/** A part on the shelf. */
final readonly class ShelfPartView
{
    /**
     * @param  int  $links  that are open
     * @param  int|null  $handout  number of the newest; null: nothing is handed out
     * @param  int  $since  entries since then
     * @param  int|null  $findings  that are left; null: it was never worked out
     * @param  int  $toSettle  places kept in several versions
     * @param  int  $proposed  notes with marks that nobody has taken
     */
    public function __construct(
        public int $id,
        public string $name,
        public Instrument $instrument,
        public int $measures,
        public int $decisions,
        public int $links,
        public ?int $handout,
        public int $since,
        public ?int $findings,
        public int $toSettle,
        public int $proposed,
    ) {}
}
