<?php

declare(strict_types=1);

namespace App\Views\LineUp;

/** A run of notes that comes in several places. */
final readonly class FigureView
{
    /**
     * @param  list<FigurePlaceView>  $places
     */
    public function __construct(
        public string $letter,
        public int $notes,
        public bool $near,
        public bool $passedRound,
        public array $places,
    ) {}
}
