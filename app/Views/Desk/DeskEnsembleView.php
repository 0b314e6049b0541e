<?php

declare(strict_types=1);

namespace App\Views\Desk;

use UprightPencil\Core\Strings\Level;

/** Who plays the part on the desk. */
final readonly class DeskEnsembleView
{
    public function __construct(
        public string $name,
        public Level $level,
    ) {}
}
