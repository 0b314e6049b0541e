<?php

declare(strict_types=1);

namespace App\Views\LineUp;

use App\Views\WordsView;

/** All sections of a piece under each other in time. */
final readonly class LineUpView
{
    /**
     * @param  int  $resolution  ticks in a quarter
     * @param  list<MapMeasureView>  $measures
     * @param  list<MapPartView>  $parts
     * @param  list<int>  $cutOffs  ticks at which all leave the string together
     * @param  list<FigureView>  $figures
     */
    public function __construct(
        public string $title,
        public string $ensemble,
        public int $resolution,
        public array $measures,
        public array $parts,
        public array $cutOffs,
        public array $figures,
        public ?WordsView $words,
    ) {}
}
