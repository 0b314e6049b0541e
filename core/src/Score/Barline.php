<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/** A barline that is more than a plain one. */
final readonly class Barline
{
    use Copying;

    /**
     * @param  string  $place  left, right or middle
     * @param  string|null  $repeat  forward or backward
     * @param  int  $times  how often a backward repeat's passage is played in all
     * @param  list<int>  $endings  the passes of the ending that starts or stops here
     * @param  string|null  $endingType  start, stop or discontinue
     * @param  array<string, string>  $kept  slot => the format's own words
     */
    public function __construct(
        public string $place,
        public ?string $repeat = null,
        public int $times = 2,
        public array $endings = [],
        public ?string $endingType = null,
        public array $kept = [],
    ) {}
}
