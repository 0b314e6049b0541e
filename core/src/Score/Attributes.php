<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/** A change of key, meter, clef or transposition at a place in a measure. */
final readonly class Attributes
{
    use Copying;

    /**
     * @param  int  $onset  ticks from the start of the measure
     * @param  list<Clef>  $clefs
     * @param  array<string, string>  $kept  slot => the format's own words
     */
    public function __construct(
        public int $onset,
        public ?Key $key = null,
        public ?Meter $meter = null,
        public array $clefs = [],
        public ?Transposition $transposition = null,
        public ?int $staves = null,
        public array $kept = [],
    ) {}
}
