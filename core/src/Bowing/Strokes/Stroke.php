<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Strokes;

use UprightPencil\Core\Bowing\Marks\StrokeType;
use UprightPencil\Core\Score\Event;

/** What is played in one bow direction without a stop: events, or a stretch of a held one. */
final readonly class Stroke
{
    /**
     * @param  int  $number  from 1 through the line
     * @param  non-empty-list<Event>  $events  those that sound in it; a held event may begin before or end after it
     * @param  bool  $hooked  goes on in the direction of the stroke before, after a stop, by print or decision
     * @param  int  $gap  ticks of silence before it, as written
     * @param  int  $start  ticks from the start of the part, as written
     * @param  int  $end  ticks
     * @param  bool  $changed  begins with a change of bow on a note that is already sounding
     * @param  bool  $continues  goes on with the note that was held before the first ending: no new stroke to the ear
     * @param  StrokeType|null  $type  as words ask for it
     * @param  bool  $hookedOn  the next stroke is hooked to this one
     */
    public function __construct(
        public int $number,
        public array $events,
        public bool $hooked,
        public int $gap,
        public int $start,
        public int $end,
        public bool $changed = false,
        public bool $continues = false,
        public ?StrokeType $type = null,
        public bool $hookedOn = false,
    ) {}

    public function first(): Event
    {
        return $this->events[0];
    }

    public function last(): Event
    {
        return $this->events[count($this->events) - 1];
    }

    /** The first event that has a beat of its own: grace notes go before it. */
    public function onBeat(): Event
    {
        foreach ($this->events as $event) {
            if (! $event->isGrace()) {
                return $event;
            }
        }

        return $this->events[0];
    }

    /** By print or by word: it stays in one place and goes on as long as it likes. */
    public function isTremolo(): bool
    {
        return $this->onBeat()->first()->tremolo > 0 || $this->type === StrokeType::Tremolo;
    }

    /** Its note is short by a dot or wedge of its own: dots under a slur are the stops of a hook. */
    public function isDotted(): bool
    {
        foreach ($this->hooked || $this->hookedOn ? [] : $this->onBeat()->first()->articulations as $articulation) {
            if ($articulation->detaches()) {
                return true;
            }
        }

        return false;
    }

    /** Ticks that it lasts. */
    public function ticks(): int
    {
        return $this->end - $this->start;
    }

    /** The note that carries its mark; null in the middle of a held note, where no mark stands. */
    public function id(): ?string
    {
        return $this->continues || ($this->changed && $this->start > $this->first()->start) ? null : $this->first()->first()->id;
    }

    /** @return list<string> the heads of the note that carries its mark: a decision may name any of them */
    public function ids(): array
    {
        $notes = $this->first()->notes;

        return match (true) {
            $this->id() === null => [],
            count($notes) === 1 => [$notes[0]->id],
            default => array_column($notes, 'id'),
        };
    }

    /** Half a measure of four or longer. */
    public function isLong(int $resolution): bool
    {
        return $this->ticks() >= 2 * $resolution;
    }

    /** It comes after a silence of a quarter or more. */
    public function isEntry(int $resolution): bool
    {
        return $this->gap >= $resolution;
    }

    /** @return list<Event> the notes struck inside it, where a slur can be begun anew */
    public function struckInside(): array
    {
        return array_values(array_filter(array_slice($this->events, 1), static fn (Event $event): bool => ! $event->isGrace() && ! $event->isHeld()));
    }

    /** One note, struck once, however many ties hold it. */
    public function isOneNote(): bool
    {
        foreach (array_slice($this->events, 1) as $event) {
            if (! $event->isTiedOver()) {
                return false;
            }
        }

        return ! $this->first()->isGrace();
    }

    /** @return int how many notes are struck in it, grace notes aside */
    public function notes(): int
    {
        $count = 0;
        foreach ($this->events as $index => $event) {
            $count += $event->isGrace() || ($index > 0 && $event->isTiedOver()) ? 0 : 1;
        }

        return max(1, $count);
    }
}
