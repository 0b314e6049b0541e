<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format;

use UprightPencil\Core\Score\Score;

/** A score read from a file, with what was not understood. */
final readonly class Reading
{
    /** @param list<Warning> $warnings */
    public function __construct(
        public Score $score,
        public array $warnings,
    ) {}
}
