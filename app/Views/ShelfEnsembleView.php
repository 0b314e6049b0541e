<?php

declare(strict_types=1);

namespace App\Views;

use UprightPencil\Core\Strings\Level;

/** An ensemble on the shelf. */
final readonly class ShelfEnsembleView
{
    /**
     * @param  list<ShelfPieceView>  $pieces
     */
    public function __construct(
        public int $id,
        public string $name,
        public string $school,
        public Level $level,
        public array $pieces,
    ) {}
}
