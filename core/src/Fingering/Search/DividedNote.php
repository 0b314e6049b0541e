<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Search;

use UprightPencil\Core\Fingering\Grips\Stop;
use UprightPencil\Core\Score\Note;

/** One note of a divided chord: who plays it, and how. */
final readonly class DividedNote
{
    /** @param string $player outside, inside, or the desk */
    public function __construct(
        public string $player,
        public Note $note,
        public Stop $stop,
    ) {}
}
