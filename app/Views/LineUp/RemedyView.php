<?php

declare(strict_types=1);

namespace App\Views\LineUp;

/** What would bring sections into line; it has been tried. */
final readonly class RemedyView
{
    /**
     * @param  list<PartDecisionsView>  $parts
     */
    public function __construct(
        public string $words,
        public array $parts,
    ) {}
}
