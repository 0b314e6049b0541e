<?php

declare(strict_types=1);

namespace App\Views\Desk;

use App\Views\Typed;

/** A part as it was after one of the entries of its record. */
final readonly class PastView
{
    /**
     * @param  string  $music  the print of that day, as MusicXML
     * @param  list<MarkView>  $layer
     * @param  bool  $sameNotes  false: its notes are others now; nothing is compared, and its edition is brought back instead
     * @param  list<SheetLineView>  $since  what has changed on the page since
     * @param  list<array<string, mixed>>  $back  what brings it back
     */
    public function __construct(
        public int $seq,
        public string $at,
        public string $music,
        public array $layer,
        public bool $sameNotes,
        public array $since,
        #[Typed('Decision[]')]
        public array $back,
    ) {}
}
