<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble;

use UprightPencil\Core\Marking\Kinds\Apart;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Score\Articulation;

/** One struck note of a part, as the sections are compared by it. */
final readonly class LinedNote
{
    /**
     * @param  int  $part  index of its part
     * @param  int  $end  the tick at which it stops sounding, ties included
     * @param  bool  $slurred  in one bow with the note before it, by slur
     * @param  int  $gap  ticks of silence before it
     * @param  int  $times  by which the ticks of its part are multiplied, so that all sections count alike
     * @param  list<NoteMark>  $chord  the other heads on its stem
     * @param  bool  $solo  one player has it alone
     */
    public function __construct(
        public int $part,
        public NoteMark $mark,
        public int $end,
        public bool $slurred,
        public int $gap,
        public int $times = 1,
        public array $chord = [],
        public bool $solo = false,
    ) {}

    public function tick(): int
    {
        return $this->mark->place->tick * $this->times;
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

    /**
     * One letter a note.
     *
     * @param  list<self>  $notes
     */
    public static function directions(array $notes): string
    {
        return implode('', array_map(static fn (self $note): string => $note->direction(), $notes));
    }

    /**
     * @param  array<self>  $notes
     * @return list<int> the sections that they are in
     */
    public static function sections(array $notes): array
    {
        return array_values(array_unique(array_map(static fn (self $note): int => $note->part, array_values($notes))));
    }

    /** Its place on the staff, counted in steps: what a tune keeps when it comes in another key. */
    public function staffStep(): int
    {
        return $this->mark->note->pitch?->diatonic() ?? 0;
    }

    /** Whether it is meant to differ from what is like it (“apart”). */
    public function isApart(): bool
    {
        return $this->mark->said(Apart::FIELD) === true;
    }

    /** Half steps that it sounds above or below where it is written are left out: the lowest of its heads. */
    public function lowest(): int
    {
        return min([$this->midi(), ...array_map(static fn (NoteMark $head): int => $head->note->pitch?->midi() ?? 127, $this->chord)]);
    }

    public function isAccented(): bool
    {
        return $this->mark->note->has(Articulation::Accent) || $this->mark->note->has(Articulation::StrongAccent);
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
