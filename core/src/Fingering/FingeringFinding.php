<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering;

use UprightPencil\Core\Fingering\Search\DividedNote;
use UprightPencil\Core\Score\Note;

/** A note whose fingering the director should know about. */
final readonly class FingeringFinding
{
    /**
     * @param  int  $measure  index into the part's measures
     * @param  list<DividedNote>  $divisi  how the players would share a chord that the class cannot hold
     */
    public function __construct(
        public string $code,
        public int $measure,
        public Note $note,
        public string $message,
        public array $divisi = [],
    ) {}
}
