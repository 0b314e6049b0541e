<?php

declare(strict_types=1);

namespace App\Views;

/** Something in a file that was not understood. */
final readonly class WarningView
{
    public function __construct(
        public ?string $part,
        public ?string $measure,
        public ?int $line,
        public string $message,
    ) {}
}
