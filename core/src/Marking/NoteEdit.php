<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Score\Articulation;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\Direction;
use UprightPencil\Core\Score\DirectionKind;
use UprightPencil\Core\Score\DirectionSign;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Span;
use UprightPencil\Core\Score\Technical;

/** One note on its way into a marked score; the kinds of marks write themselves on it. */
final class NoteEdit
{
    public ?BowSign $bow;

    public ?string $finger;

    /** 1 is the highest. */
    public ?int $string;

    public bool $open;

    public bool $harmonic;

    /** @var list<Articulation> */
    public array $articulations;

    /** @var list<Span> */
    private array $slurs;

    /** @var list<Direction> */
    private array $before = [];

    public function __construct(
        private readonly Note $note,
        private readonly Measure $measure,
    ) {
        $technical = $note->technical;
        [$this->bow, $this->finger, $this->string, $this->open, $this->harmonic] = [$technical->bow, $technical->finger, $technical->string, $technical->open, $technical->harmonic];
        $this->articulations = $note->articulations;
        $this->slurs = $note->slurs;
    }

    public function startSlur(int $number): void
    {
        $this->slurs[] = new Span('start', $number);
    }

    public function stopSlur(int $number): void
    {
        array_unshift($this->slurs, new Span('stop', $number));
    }

    /** The printed slurs that start, or stop, here. */
    public function dropSlurs(string $type): void
    {
        $this->slurs = array_values(array_filter($this->slurs, static fn (Span $span): bool => $span->type !== $type));
    }

    /** @param int $later ticks after the start of the note */
    public function say(string $words, int $later = 0): void
    {
        $this->isSaid(mb_strtolower($words), $later) || $this->before[] = new Direction($this->note->onset, [new DirectionSign(DirectionKind::Words, $words)], $later, 'above');
    }

    /** Words with a line that leads to where they stop holding. */
    public function hold(string $words, int $number): void
    {
        $this->isSaid(mb_strtolower($words), 0) || $this->before[] = new Direction($this->note->onset, [
            new DirectionSign(DirectionKind::Words, $words),
            new DirectionSign(DirectionKind::Dashes, 'start', number: $number),
        ], 0, 'above');
    }

    /** The end of such a line, at the end of the note. */
    public function release(int $number): void
    {
        $this->before[] = new Direction($this->note->onset, [new DirectionSign(DirectionKind::Dashes, 'stop', number: $number)], $this->note->duration, 'above');
    }

    private function isSaid(string $words, int $later): bool
    {
        foreach ($this->measure->directions() as $direction) {
            if ($direction->time() === $this->note->onset + $later && $direction->words() === $words) {
                return true;
            }
        }

        return false;
    }

    /** @return list<Direction|Note> the note as it goes out, and what stands before it */
    public function items(): array
    {
        return [...$this->before, $this->note->with(
            slurs: $this->slurs,
            articulations: $this->articulations,
            technical: new Technical($this->bow, $this->finger, $this->string, $this->open, $this->harmonic, $this->note->technical->other),
        )];
    }
}
