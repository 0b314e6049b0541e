<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Search;

use UprightPencil\Core\Strings\Placement;

/** Another finger for a note: what an other way consists of. Marking makes a decision of it. */
final readonly class FingerChange
{
    /**
     * @param  string  $note  id
     * @param  int  $string  0 is the lowest
     * @param  float|null  $position  half is 0.5; null on an open string
     */
    public function __construct(
        public string $note,
        public int $string,
        public int $finger,
        public Placement $placement,
        public ?float $position,
    ) {}
}
