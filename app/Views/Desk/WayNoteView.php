<?php

declare(strict_types=1);

namespace App\Views\Desk;

use UprightPencil\Core\Strings\Placement;

/** One note of another way to finger a stretch. */
final readonly class WayNoteView
{
    public function __construct(
        public string $id,
        public ?string $pitch,
        public string $string,
        public int $finger,
        public Placement $placement,
        public float $position,
    ) {}
}
