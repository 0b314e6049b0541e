<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format;

use UprightPencil\Core\Score\Score;

/** A score read from a file, with what was not understood. */
final readonly class Reading
{
    /**
     * @param  list<Warning>  $warnings
     * @param  list<string>  $tunes  titles of all tunes that the file holds, where it is of a kind that holds several
     */
    public function __construct(
        public Score $score,
        public array $warnings,
        public array $tunes = [],
    ) {}
}
