<?php

declare(strict_types=1);

namespace App\Views\Shelf;

/** Everything somebody has a part in. */
final readonly class ShelfView
{
    /**
     * @param  list<ShelfEnsembleView>  $ensembles
     * @param  list<SchoolView>  $schools  in which an ensemble can be opened
     * @param  list<DraftView>  $drafts  what they are typing, the newest first
     */
    public function __construct(
        public array $ensembles,
        public array $schools,
        public array $drafts,
        public ?WorkedView $last,
        public ?ShelfHabitView $habit,
    ) {}
}
