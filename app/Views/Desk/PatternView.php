<?php

declare(strict_types=1);

namespace App\Views\Desk;

/** A finger pattern on a string. */
final readonly class PatternView
{
    /**
     * @param  string  $from  measure
     * @param  string  $note  id
     */
    public function __construct(
        public string $string,
        public string $pattern,
        public float $position,
        public string $from,
        public string $to,
        public string $note,
        public string $measure,
        public float $beat,
    ) {}
}
