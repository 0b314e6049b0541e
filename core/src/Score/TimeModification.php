<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/** A tuplet ratio: `actual` notes in the time of `normal`. */
final readonly class TimeModification
{
    public function __construct(
        public int $actual,
        public int $normal,
        public ?NoteType $normalType = null,
        public int $normalDots = 0,
    ) {}
}
