<?php

declare(strict_types=1);

namespace App\Views\Rehearsal;

use App\Views\WordsView;

/** A piece in rehearsal. */
final readonly class RehearsalView
{
    /**
     * @param  list<RehearsedMeasureView>  $measures
     * @param  list<RehearsedPartView>  $parts
     * @param  list<NoteOfRehearsalView>  $notes  the newest first
     * @param  list<NotedAgainView>  $again
     * @param  list<ToSettleView>  $toSettle
     * @param  list<string>  $neverReached  passages, as far as notes show it
     */
    public function __construct(
        public int $piece,
        public string $title,
        public string $ensemble,
        public array $measures,
        public array $parts,
        public array $notes,
        public array $again,
        public array $toSettle,
        public array $neverReached,
        public WordsView $words,
    ) {}
}
