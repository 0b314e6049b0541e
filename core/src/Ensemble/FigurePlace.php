<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble;

/** One place where a figure comes. */
final readonly class FigurePlace
{
    /**
     * @param  non-empty-list<LinedNote>  $notes
     * @param  bool  $near  one note of it is other than in the first place
     */
    public function __construct(
        public array $notes,
        public bool $near = false,
    ) {}

    public function first(): LinedNote
    {
        return $this->notes[0];
    }

    public function last(): LinedNote
    {
        return $this->notes[count($this->notes) - 1];
    }

    public function part(): int
    {
        return $this->notes[0]->part;
    }

    public function start(): int
    {
        return $this->notes[0]->tick();
    }

    public function end(): int
    {
        return $this->last()->end;
    }

    /** One letter a note. */
    public function directions(): string
    {
        return LinedNote::directions($this->notes);
    }

    /** Whether it was left as it is on purpose. */
    public function isException(): bool
    {
        return $this->notes[0]->isApart();
    }

    /** Whether anything about the bow is decided or printed in it. */
    public function isBowed(): bool
    {
        foreach ($this->notes as $note) {
            if ($note->isBowPrinted() || $note->mark->isDecided('direction')) {
                return true;
            }
        }

        return false;
    }

    /** The beat of the measure on which it begins. */
    public function beat(): float
    {
        return $this->notes[0]->mark->place->beat;
    }

    public function measure(): string
    {
        return $this->notes[0]->mark->place->measure;
    }
}
