<?php

declare(strict_types=1);

namespace App\Views\Shelf;

use App\Models\Role;
use App\Views\Piece\OccasionView;
use UprightPencil\Core\Strings\Level;

/** An ensemble on the shelf. */
final readonly class ShelfEnsembleView
{
    /**
     * @param  Role  $role  what the person who asks is in it
     * @param  bool  $directs  names it, brings music in, asks people in
     * @param  string|null  $fault  what is wrong with its class profile; then its level is not known
     * @param  list<OccasionView>  $occasions  that are still to come
     * @param  list<ShelfPieceView>  $pieces
     */
    public function __construct(
        public int $id,
        public string $name,
        public string $school,
        public string $year,
        public bool $putAway,
        public Role $role,
        public bool $directs,
        public ?Level $level,
        public ?string $fault,
        public array $occasions,
        public array $pieces,
    ) {}
}
