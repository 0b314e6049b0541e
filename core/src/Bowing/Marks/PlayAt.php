<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Marks;

/** A place of the bow for a note. */
final readonly class PlayAt implements BowChange
{
    public function __construct(
        public BowPlace $place,
        public string $note,
    ) {}

    public function note(): string
    {
        return $this->note;
    }

    public function on(BowMarks $marks): BowMarks
    {
        return $marks->placed($this->note, $this->place);
    }
}
