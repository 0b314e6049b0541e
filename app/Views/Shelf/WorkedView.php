<?php

declare(strict_types=1);

namespace App\Views\Shelf;

/** Where somebody worked last. */
final readonly class WorkedView
{
    /** @param string|null $note the id of the note that was decided about */
    public function __construct(
        public int $part,
        public string $title,
        public string $name,
        public ?string $note,
        public string $at,
    ) {}
}
