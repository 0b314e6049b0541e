<?php

declare(strict_types=1);

namespace App\Views\Desk;

use App\Views\Sparse;

/** What a part looks like and where its record stands: the whole of it, or what is different from what a page shows. */
final readonly class MarkingView implements \JsonSerializable
{
    use Sparse;

    /**
     * @param  int  $seq  number of the newest entry of the record
     * @param  string  $state  names what the page shows with this answer on it
     * @param  string|null  $since  the state that this answer changes; null: it is the whole
     * @param  list<NoteView>  $notes  all, or those that are different
     * @param  list<FindingView>  $findings  all, or those that are new
     * @param  list<string>  $order  ids of all findings, in the order of the page
     * @param  list<string>  $undoable  keys of one's own entries that count, the newest last; only with the whole
     * @param  list<string>  $redoable  keys of the entries that one took back, the next one last; only with the whole
     * @param  list<SkippedView>  $skipped  entries that are not understood
     * @param  list<QuestionView>  $questions  places that are kept in several versions, open or settled
     * @param  string|null  $over  names the music where measures of it are typed over the print
     */
    public function __construct(
        public int $seq,
        public string $state,
        public ?string $since = null,
        public array $notes = [],
        public array $findings = [],
        public array $order = [],
        public array $undoable = [],
        public array $redoable = [],
        public array $skipped = [],
        public ?BoardView $board = null,
        public array $questions = [],
        public ?string $over = null,
    ) {}
}
