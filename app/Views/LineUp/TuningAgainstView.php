<?php

declare(strict_types=1);

namespace App\Views\LineUp;

/** What a section has against the note to tune to. */
final readonly class TuningAgainstView
{
    public function __construct(
        public string $part,
        public string $pitch,
        public string $interval,
    ) {}
}
