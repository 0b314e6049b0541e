<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble\Comparing;

use UprightPencil\Core\Ensemble\LinedNote;

/** A passage in which sections are out of line. */
final readonly class OutOfLine
{
    /**
     * @param  int  $from  tick
     * @param  int  $until  tick
     * @param  non-empty-list<int>  $sections  that it is about, the one that the others differ from first
     * @param  list<LinedNote>  $notes  those that differ: set apart, they are not told again
     * @param  list<Remedy>  $remedies  the best first
     */
    public function __construct(
        public string $code,
        public int $from,
        public int $until,
        public array $sections,
        public string $message,
        public array $notes,
        public array $remedies = [],
        public bool $folded = false,
    ) {}

    /** @param list<Remedy> $remedies */
    public function with(array $remedies): self
    {
        return new self($this->code, $this->from, $this->until, $this->sections, $this->message, $this->notes, $remedies, $this->folded);
    }

    /** Whether the director meant it so. */
    public function isApart(): bool
    {
        return $this->notes !== [] && array_filter($this->notes, static fn (LinedNote $note): bool => ! $note->isApart()) === [];
    }

    /** Whether the other one tells the same of some of the same music. */
    public function isStillIn(self $other): bool
    {
        [$own, $theirs] = [$this->sections, $other->sections];

        return $this->code === $other->code && $this->from < $other->until && $other->from < $this->until && count(array_intersect($own, $theirs)) === min(count($own), count($theirs));
    }
}
