<?php

declare(strict_types=1);

namespace App\Views\Shelf;

/** Something that is being typed, on the shelf. */
final readonly class DraftView
{
    /** @param string|null $of the part that it corrects, or the piece that it becomes a part of */
    public function __construct(
        public string $key,
        public string $title,
        public int $measures,
        public ?string $of,
        public string $at,
    ) {}
}
