<?php

declare(strict_types=1);

namespace App\Views\Importing;

/** One player's line of a part for more. */
final readonly class VoiceView
{
    public function __construct(
        public int $staff,
        public string $voice,
    ) {}
}
