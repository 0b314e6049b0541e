<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Marks;

use UprightPencil\Core\Score\BowSign;

/** A direction sign on a note, or none any more. */
final readonly class Turn implements BowChange
{
    /** @param bool $unwritten the sign is taken off the page as well, also where it is printed */
    private function __construct(
        public string $note,
        public ?BowSign $sign,
        public bool $unwritten = false,
    ) {}

    public static function to(BowSign $sign, string $note): self
    {
        return new self($note, $sign);
    }

    public static function unmarked(string $note): self
    {
        return new self($note, null, true);
    }

    public function note(): string
    {
        return $this->note;
    }

    public function on(BowMarks $marks): BowMarks
    {
        return $marks->turned($this->note, $this->sign);
    }
}
