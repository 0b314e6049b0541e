<?php

declare(strict_types=1);

namespace App\Views\Desk;

/** What to know of a part before marking it. */
final readonly class SizeUpView
{
    /**
     * @param  list<string>  $keys
     * @param  list<string>  $meters
     * @param  list<FirstView>  $firsts
     * @param  list<PatternView>  $patterns
     * @param  list<SpotView>  $troubleSpots
     * @param  list<TuningSpotView>  $tuning
     */
    public function __construct(
        public array $keys,
        public array $meters,
        public int $measures,
        public int $entered,
        public SummaryView $summary,
        public array $firsts,
        public array $patterns,
        public array $troubleSpots,
        public array $tuning,
    ) {}
}
