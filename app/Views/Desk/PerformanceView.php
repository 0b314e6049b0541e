<?php

declare(strict_types=1);

namespace App\Views\Desk;

/** What of a part is not played. */
final readonly class PerformanceView
{
    /**
     * @param  list<int>  $silent  measures, counted from 0, that are crossed out
     * @param  list<string>  $sentences  the same in words, with repeats that are not taken
     */
    public function __construct(
        public array $silent,
        public array $sentences,
    ) {}
}
