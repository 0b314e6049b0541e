<?php

declare(strict_types=1);

namespace App\Views\Importing;

use App\Views\Desk\NoteView;

/** An edition of a part to be looked at: its print, and the pencil on it that holds for its notes. */
final readonly class EditionPageView
{
    /**
     * @param  list<NoteView>  $notes
     */
    public function __construct(
        public string $music,
        public array $notes,
    ) {}
}
