<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Marks;

/** One thing that may be done to the bow at a note: what fixes and plans are made of. Marking makes decisions of it. */
interface BowChange
{
    /** @return string id of the note that it is about */
    public function note(): string;

    public function on(BowMarks $marks): BowMarks;
}
