<?php

declare(strict_types=1);

namespace App\Views\Desk;

/** A part for some of its players. */
final readonly class PlayersName
{
    public function __construct(
        public string $key,
        public string $name,
    ) {}
}
