<?php

declare(strict_types=1);

namespace App\Views;

use UprightPencil\Core\Strings\Level;

/** An ensemble on the shelf. */
final readonly class ShelfEnsembleView
{
    /**
     * @param  string|null  $fault  what is wrong with its class profile; then its level is not known
     * @param  list<ShelfPieceView>  $pieces
     */
    public function __construct(
        public int $id,
        public string $name,
        public string $school,
        public ?Level $level,
        public ?string $fault,
        public array $pieces,
    ) {}
}
