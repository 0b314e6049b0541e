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
     * @param  bool  $namesNotes  its notes have names of their own in the file, which another version of it has too
     */
    public function __construct(
        public Score $score,
        public array $warnings,
        public array $tunes = [],
        public bool $namesNotes = false,
    ) {}
}
