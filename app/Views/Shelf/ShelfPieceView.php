<?php

declare(strict_types=1);

namespace App\Views\Shelf;

use App\Models\Rights;
use App\Views\Typed;
use UprightPencil\Core\Strings\BowingSchool;

/** A piece or lesson line on the shelf. */
final readonly class ShelfPieceView
{
    /**
     * @param  string  $kind  piece or line
     * @param  string|null  $concert  that it is for
     * @param  list<ShelfPartView>  $parts
     */
    public function __construct(
        public int $id,
        public string $title,
        public string $composer,
        #[Typed('\'piece\' | \'line\'')]
        public string $kind,
        public Rights $rights,
        public ?BowingSchool $bowing,
        public bool $putAway,
        public ?string $concert,
        public NextStepView $next,
        public array $parts,
    ) {}
}
