<?php

declare(strict_types=1);

namespace App\Views\Rehearsal;

/** A place that was noted three times or more. */
final readonly class NotedAgainView
{
    /**
     * @param  list<int>  $parts  none: all of them
     */
    public function __construct(
        public string $measure,
        public array $parts,
        public int $times,
    ) {}
}
