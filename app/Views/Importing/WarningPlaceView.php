<?php

declare(strict_types=1);

namespace App\Views\Importing;

/** Where something in a file was not understood. */
final readonly class WarningPlaceView
{
    public function __construct(
        public ?string $part,
        public ?string $measure,
        public ?int $line,
    ) {}
}
