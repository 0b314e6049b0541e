<?php

declare(strict_types=1);

namespace App\Views;

use UprightPencil\Core\Strings\Instrument;

/** The part on the desk. */
final readonly class DeskPartView
{
    public function __construct(
        public int $id,
        public string $name,
        public Instrument $instrument,
    ) {}
}
