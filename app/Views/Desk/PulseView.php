<?php

declare(strict_types=1);

namespace App\Views\Desk;

/** What is new in a part. */
final readonly class PulseView
{
    /**
     * @param  int  $seq  number of the newest entry of its record
     * @param  list<SuggestionView>  $suggestions  the newest first
     */
    public function __construct(
        public int $seq,
        public array $suggestions,
    ) {}
}
