<?php

declare(strict_types=1);

namespace App\Views\LineUp;

/** One line of divided notes, and who has it. */
final readonly class DividedLineView
{
    /**
     * @param  string  $name  top, middle, bottom
     * @param  string|null  $fallback  who takes it over when its only player is missing
     */
    public function __construct(
        public string $name,
        public string $players,
        public ?string $fallback,
    ) {}
}
