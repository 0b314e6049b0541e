<?php

declare(strict_types=1);

namespace App\Views;

/** What a part looks like, worked out. */
final readonly class DrawnView
{
    /**
     * @param  list<MarkView>  $layer
     * @param  list<FindingView>  $findings
     * @param  list<NoteView>  $notes
     */
    public function __construct(
        public array $layer,
        public array $findings,
        public array $notes,
        public BoardView $board,
    ) {}
}
