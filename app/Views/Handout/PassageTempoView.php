<?php

declare(strict_types=1);

namespace App\Views\Handout;

/** A passage that is practised in a tempo of its own. */
final readonly class PassageTempoView
{
    public function __construct(
        public string $passage,
        public string $from,
        public int $tempo,
    ) {}
}
