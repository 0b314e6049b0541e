<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Terms;

use UprightPencil\Core\Bowing\Following\BowFollower;
use UprightPencil\Core\Bowing\Following\Opening;
use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Bowing\Marks\BowMarks;
use UprightPencil\Core\Bowing\Strokes\Phrasing;
use UprightPencil\Core\Bowing\Strokes\Stroke;
use UprightPencil\Core\Score\Beats;
use UprightPencil\Core\Score\BowSign;

/** One stroke of the line that is planned, with what the terms ask about it and its neighbours. */
final readonly class PlanPlace
{
    public Stroke $stroke;

    public ?Stroke $before;

    public ?Stroke $next;

    /** What print or director say of its direction, and of what is done at it. */
    public ?BowSign $lock;

    public ?BowAction $action;

    /** How strong its beat is: 1 at the start of a measure, 0 between the beats. */
    public float $strength;

    public bool $accented;

    /** The bow starts anew: at the start of the part, or after a measure of silence. */
    public bool $fresh;

    /** Nothing that comes before speaks for or against a direction: after a stagger the players arrive on whatever is wanted. */
    public bool $free;

    /**
     * @param  list<Stroke>  $strokes  the line
     * @param  BowSign|null  $entered  the direction before its first stroke; null at the start of a part
     * @param  bool  $ends  the line's last stroke is the last of the part
     * @param  Phrasing  $phrasing  of the line
     */
    public function __construct(
        public array $strokes,
        public int $index,
        public BowMarks $marks,
        public Beats $beats,
        public ?BowSign $entered,
        private bool $ends,
        public Phrasing $phrasing,
    ) {
        $this->stroke = $strokes[$index];
        $this->before = $strokes[$index - 1] ?? null;
        $this->next = $strokes[$index + 1] ?? null;
        $this->lock = BowFollower::lock($this->stroke, $marks);
        $this->action = BowFollower::action($this->stroke, $marks);
        $event = $this->stroke->onBeat();
        $this->strength = $beats->strength($event);
        $this->accented = $beats->isAccented($event);
        $this->fresh = ($index === 0 && $entered === null) || Opening::isFresh($this->stroke, $beats);
        $this->free = $this->fresh || ($this->before !== null && BowFollower::action($this->before, $marks) === BowAction::Stagger);
    }

    public function isLast(): bool
    {
        return $this->ends && $this->next === null;
    }

    /** Its direction follows from the stroke before: hooked to it, a change on a held note, or the note itself still held. */
    public function isBound(): bool
    {
        return $this->stroke->hooked || $this->stroke->changed || $this->stroke->continues;
    }

    /** Print or people want it down or up; where only the same music elsewhere speaks for a direction, any mark may bring it about. */
    public function isTarget(): bool
    {
        return $this->lock !== null && ! $this->marks->isAlike($this->stroke->ids());
    }

    /** The stroke before it has a direction that somebody gave it. */
    public function isBeforeLocked(): bool
    {
        return $this->before !== null && BowFollower::lock($this->before, $this->marks) !== null;
    }
}
