<?php

declare(strict_types=1);

namespace App\Views\Handout;

use App\Views\Desk\SheetLineView;

/** One change that is called out. */
final readonly class CalledView
{
    public function __construct(
        public string $part,
        public SheetLineView $line,
    ) {}
}
