<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble;

use UprightPencil\Core\Marking\NoteMark;

/** One struck note of a part, as the sections are compared by it. */
final readonly class LinedNote
{
    /**
     * @param  int  $part  index of its part
     * @param  int  $end  the tick at which it stops sounding, ties included
     * @param  bool  $slurred  in one bow with the note before it, by slur
     * @param  int  $gap  ticks of silence before it
     */
    public function __construct(
        public int $part,
        public NoteMark $mark,
        public int $end,
        public bool $slurred,
        public int $gap,
    ) {}

    public function tick(): int
    {
        return $this->mark->place->tick;
    }

    public function id(): string
    {
        return $this->mark->note->id;
    }

    public function ticks(): int
    {
        return $this->end - $this->tick();
    }

    public function midi(): int
    {
        return $this->mark->note->pitch?->midi() ?? 0;
    }

    /** d, u, or - where the bow does nothing. */
    public function direction(): string
    {
        return ['down' => 'd', 'up' => 'u'][$this->mark->bow?->direction->value ?? ''] ?? '-';
    }

    public function isBowPrinted(): bool
    {
        return $this->mark->note->technical->bow !== null;
    }

    /**
     * What figures and like places are known by: how long it sounds and how the music goes on to the next note, in time, slur and
     * contour. The same step may be anywhere on the staff.
     */
    public function step(self $next): string
    {
        return "{$this->ticks()}/{$next->gap}/".($next->slurred ? 's' : '').'/'.($next->midi() <=> $this->midi()).($next->direction() === '-' ? 'p' : '');
    }

    /** What it sounds like in time: rhythm and slurs, whatever the pitch. */
    public function rhythm(int $from): string
    {
        return ($this->tick() - $from).'/'.$this->ticks().'/'.($this->slurred ? 's' : '');
    }
}
