<?php

declare(strict_types=1);

namespace App\Views;

/** Everything somebody has a part in. */
final readonly class ShelfView
{
    /**
     * @param  list<ShelfEnsembleView>  $ensembles
     * @param  list<SchoolView>  $schools  in which an ensemble can be opened
     */
    public function __construct(
        public array $ensembles,
        public array $schools,
    ) {}
}
