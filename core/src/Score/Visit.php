<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/** One time that a measure is played. */
final readonly class Visit
{
    /**
     * @param  int  $measure  index into the part's measures
     * @param  int  $time  1 the first time this measure is played, 2 the second, …
     * @param  bool  $jumped  reached by a repeat, an ending or a D.C./D.S., not from the measure before it
     */
    public function __construct(
        public int $measure,
        public int $time,
        public bool $jumped,
    ) {}
}
