<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/** What one player sounds at one moment: a note head, or the heads of a chord. */
final readonly class Event
{
    /**
     * @param  int  $index  place in its line
     * @param  int  $measure  index into the part's measures
     * @param  non-empty-list<Note>  $notes
     * @param  int  $start  ticks from the start of the part, as written
     */
    public function __construct(
        public int $index,
        public int $measure,
        public array $notes,
        public int $start,
    ) {}

    public function first(): Note
    {
        return $this->notes[0];
    }

    /** Ticks; a chord lasts as long as its longest head. */
    public function duration(): int
    {
        return count($this->notes) === 1
            ? $this->notes[0]->duration
            : max(array_map(static fn (Note $note): int => $note->duration, $this->notes));
    }

    public function end(): int
    {
        return $this->start + $this->duration();
    }

    public function isGrace(): bool
    {
        return $this->notes[0]->grace;
    }

    /** The whole event is held over from the one before. */
    public function isTiedOver(): bool
    {
        foreach ($this->notes as $note) {
            if (! $note->tieStop) {
                return false;
            }
        }

        return true;
    }

    /** Some head of it is held over from the event before: the bow cannot stop here. */
    public function isHeld(): bool
    {
        foreach ($this->notes as $note) {
            if ($note->tieStop) {
                return true;
            }
        }

        return false;
    }

    public function startsTie(): bool
    {
        foreach ($this->notes as $note) {
            if ($note->tieStart) {
                return true;
            }
        }

        return false;
    }

    public function has(Articulation ...$articulations): bool
    {
        foreach ($this->notes as $note) {
            if (array_intersect(array_column($articulations, 'value'), array_column($note->articulations, 'value')) !== []) {
                return true;
            }
        }

        return false;
    }
}
