<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/** One end of a printed slur or tuplet bracket, at the note that carries it. */
final readonly class Span
{
    /**
     * @param  string  $type  start, continue or stop
     * @param  int  $number  tells spans that overlap apart, 1 to 16
     * @param  array<string, string>  $look  attributes for the engraver (placement, line type, …)
     * @param  string  $inner  what a tuplet shows, in the words of its format
     */
    public function __construct(
        public string $type,
        public int $number = 1,
        public array $look = [],
        public string $inner = '',
    ) {}
}
