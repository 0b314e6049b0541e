<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

/** A note whose proposals are not taken along with others: somebody should look at it first. */
final readonly class LeftOut
{
    /** @param string $why a sentence */
    public function __construct(
        public NoteMark $note,
        public string $why,
    ) {}

    /** @return array{note: string, measure: string, beat: float, pitch: string|null, why: string} */
    public function toArray(): array
    {
        return ['note' => $this->note->note->id, 'measure' => $this->note->place->measure, 'beat' => $this->note->place->beat, 'pitch' => $this->note->note->pitch?->spoken(), 'why' => $this->why];
    }
}
