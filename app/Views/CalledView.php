<?php

declare(strict_types=1);

namespace App\Views;

/** One change that is called out. */
final readonly class CalledView
{
    public function __construct(
        public string $part,
        public SheetLineView $line,
    ) {}
}
