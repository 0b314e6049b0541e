<?php

declare(strict_types=1);

namespace App\Views\Piece;

/** One section in one passage. */
final readonly class PassageCellView
{
    /**
     * @param  string|null  $measure  the first of the passage, as this part names it; null: the part does not have it
     * @param  int  $measures  of the passage
     * @param  int  $entered  how many of them are entered
     * @param  int  $notes  note heads in it
     * @param  int  $decided  how many of them something was decided about
     * @param  int  $open  findings and versions that are left in it
     * @param  int|null  $changed  changes to what was handed out last; null: nothing is handed out of the part
     */
    public function __construct(
        public ?string $measure,
        public int $measures,
        public int $entered,
        public int $notes,
        public int $decided,
        public int $open,
        public ?int $changed,
    ) {}
}
