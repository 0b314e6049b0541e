<?php

declare(strict_types=1);

namespace App\Views;

/** What a part looks like, and where its record stands. */
final readonly class MarkingView
{
    /**
     * @param  int  $seq  number of the newest entry of the record
     * @param  list<MarkView>  $layer
     * @param  list<FindingView>  $findings
     * @param  list<NoteView>  $notes
     */
    public function __construct(
        public int $seq,
        public bool $canUndo,
        public bool $canRedo,
        public array $layer,
        public array $findings,
        public array $notes,
        public BoardView $board,
    ) {}
}
