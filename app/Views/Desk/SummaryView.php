<?php

declare(strict_types=1);

namespace App\Views\Desk;

/** A part in figures. */
final readonly class SummaryView
{
    /**
     * @param  list<string>  $new  what the class has not been taught
     */
    public function __construct(
        public ?ExtremeView $lowest,
        public ?ExtremeView $highest,
        public ?HighestPositionView $highestPosition,
        public int $shifts,
        public int $crossingsUnderSlurs,
        public int $extensions,
        public array $new,
    ) {}
}
