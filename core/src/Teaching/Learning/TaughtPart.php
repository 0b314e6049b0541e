<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Learning;

use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Score;

/** A part with what its director decided in it: what is learned from. */
final readonly class TaughtPart
{
    /**
     * @param  list<Decision>  $decisions  oldest first; those that are meant: not “this once”, not prescribed, not taken back, a figure once
     * @param  string  $title  of its piece, for the evidence
     */
    public function __construct(
        public Score $score,
        public Part $part,
        public array $decisions,
        public string $title,
    ) {}

    public function name(): string
    {
        return "{$this->title}: {$this->part->name}";
    }
}
