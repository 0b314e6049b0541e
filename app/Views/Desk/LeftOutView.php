<?php

declare(strict_types=1);

namespace App\Views\Desk;

/** A note whose proposals are not taken along with others. */
final readonly class LeftOutView
{
    public function __construct(
        public string $note,
        public string $measure,
        public float $beat,
        public ?string $pitch,
        public string $why,
    ) {}
}
