<?php

declare(strict_types=1);

namespace App\Views\Handout;

/** How fast a piece is practised, and how fast it will be played: quarters a minute. */
final readonly class PracticeTempoView
{
    /**
     * @param  int|null  $practice  null: nobody said
     * @param  list<PassageTempoView>  $passages  those that have a tempo of their own
     */
    public function __construct(
        public float $concert,
        public ?int $practice,
        public array $passages,
    ) {}
}
