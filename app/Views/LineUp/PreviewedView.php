<?php

declare(strict_types=1);

namespace App\Views\LineUp;

/** Sections of the map as they would be. */
final readonly class PreviewedView
{
    /**
     * @param  list<MapPartView>  $parts
     */
    public function __construct(
        public array $parts,
    ) {}
}
