<?php

declare(strict_types=1);

namespace App\Views\Importing;

/** Notes that were moved by octaves so that the instrument has them; by none where it does not. */
final readonly class ShiftView
{
    public function __construct(
        public string $measure,
        public string $last,
        public int $notes,
        public int $octaves,
        public string $because,
    ) {}
}
