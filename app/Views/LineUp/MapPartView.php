<?php

declare(strict_types=1);

namespace App\Views\LineUp;

use App\Views\Typed;
use UprightPencil\Core\Strings\Instrument;

/** A section of the map, stroke by stroke. */
final readonly class MapPartView
{
    /**
     * @param  int  $seq  the newest entry of its record
     * @param  list<array{int, int, string, string, string, list<int>, list<list<int>>}>  $strokes  from and until (ticks), d, u or -, what is done with the bow, first note, where further notes of it begin, where each desk changes
     */
    public function __construct(
        public int $part,
        public string $name,
        public Instrument $instrument,
        public int $seq,
        #[Typed('[number, number, string, string, string, number[], number[][]][]')]
        public array $strokes,
    ) {}
}
