<?php

declare(strict_types=1);

namespace App\Views\Importing;

use App\Views\WordsView;

/** All editions of a part, the newest first; and what was decided about notes that none of them has now. */
final readonly class EditionsView
{
    /**
     * @param  list<EditionView>  $editions
     * @param  list<GoneView>  $gone
     * @param  bool  $directs  may bring one back
     * @param  bool  $decides  may place what is left over, or let it go
     */
    public function __construct(
        public int $part,
        public string $name,
        public int $piece,
        public string $title,
        public array $editions,
        public array $gone,
        public bool $directs,
        public bool $decides,
        public WordsView $words,
    ) {}
}
