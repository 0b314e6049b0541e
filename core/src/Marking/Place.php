<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

/** Where a note stands. */
final readonly class Place
{
    /**
     * @param  string  $measure  as printed
     * @param  float  $beat  printed beat, from 1
     * @param  int  $tick  from the start of the part, as written
     */
    public function __construct(
        public string $measure,
        public float $beat,
        public int $tick,
    ) {}
}
