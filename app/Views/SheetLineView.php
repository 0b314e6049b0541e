<?php

declare(strict_types=1);

namespace App\Views;

/** One line of a transfer sheet. */
final readonly class SheetLineView
{
    public function __construct(
        public string $measure,
        public string $beat,
        public string $note,
        public string $sign,
    ) {}
}
