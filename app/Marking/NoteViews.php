<?php

declare(strict_types=1);

namespace App\Marking;

use App\Views\Desk\NoteView;

/** The views of a part's notes as they were told last: a note that is marked as before looks as before. */
final class NoteViews
{
    /** @var array<string, array{list<mixed>, NoteView}> note => what its view was made from, and the view */
    private array $known = [];

    /**
     * @param  list<mixed>  $from  all that the view is made from besides the music and the style; compared by value
     * @param  \Closure(): NoteView  $made
     */
    public function of(string $note, array $from, \Closure $made): NoteView
    {
        if (! isset($this->known[$note]) || $this->known[$note][0] != $from) {
            $this->known[$note] = [$from, $made()];
        }

        return $this->known[$note][1];
    }
}
