<?php

declare(strict_types=1);

namespace App\Views\LineUp;

/** One decision for all places of a figure. */
final readonly class FigureTakenView
{
    /**
     * @param  list<PartDecisionsView>  $parts
     * @param  list<string>  $taken  places, as “Viola 12”
     * @param  list<string>  $left  those decided otherwise
     * @param  list<string>  $fingered  those to which the fingers go along
     */
    public function __construct(
        public array $parts,
        public array $taken,
        public array $left,
        public array $fingered,
    ) {}
}
