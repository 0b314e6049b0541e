<?php

declare(strict_types=1);

namespace App\Views\LineUp;

/** A measure of the map of all sections. */
final readonly class MapMeasureView
{
    /**
     * @param  int  $start  tick
     * @param  int  $length  ticks
     * @param  string|null  $letter  the rehearsal letter over it
     */
    public function __construct(
        public string $number,
        public int $start,
        public int $length,
        public ?string $letter,
    ) {}
}
