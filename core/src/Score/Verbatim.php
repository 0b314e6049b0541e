<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/** Something at a place in a measure that only its format understands (chord symbols, line breaks, …). */
final readonly class Verbatim
{
    public function __construct(
        public int $onset,
        public string $kept,
    ) {}
}
