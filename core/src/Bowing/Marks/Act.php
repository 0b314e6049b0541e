<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Marks;

/** A hook, retake, lift, split, join, strike, change or stagger at a note, or none any more. */
final readonly class Act implements BowChange
{
    /** @param int|null $times changes on a held note, or desks that stagger it; null: one, or outside and inside */
    private function __construct(
        public string $note,
        public ?BowAction $action,
        public ?int $times = null,
    ) {}

    public static function at(string $note, BowAction $action, ?int $times = null): self
    {
        return new self($note, $action, $times);
    }

    public static function nothingAt(string $note): self
    {
        return new self($note, null);
    }

    public function note(): string
    {
        return $this->note;
    }

    public function on(BowMarks $marks): BowMarks
    {
        return $marks->acted($this->note, $this->action, $this->times);
    }
}
