<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble;

/** A run of notes that comes in several places. */
final readonly class Figure
{
    /**
     * @param  int  $notes  how many it has
     * @param  non-empty-list<non-empty-list<LinedNote>>  $places  its notes in each place, the first place first
     */
    public function __construct(
        public int $notes,
        public array $places,
    ) {}

    /**
     * One letter a note.
     *
     * @param  list<LinedNote>  $place
     */
    public static function directions(array $place): string
    {
        return implode('', array_map(static fn (LinedNote $note): string => $note->direction(), $place));
    }

    /**
     * Half steps from the first place.
     *
     * @param  non-empty-list<LinedNote>  $place
     */
    public function transposed(array $place): int
    {
        return $place[0]->midi() - $this->places[0][0]->midi();
    }
}
