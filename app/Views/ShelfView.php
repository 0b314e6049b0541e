<?php

declare(strict_types=1);

namespace App\Views;

/** Everything a director has. */
final readonly class ShelfView
{
    /**
     * @param  list<ShelfEnsembleView>  $ensembles
     */
    public function __construct(
        public array $ensembles,
    ) {}
}
