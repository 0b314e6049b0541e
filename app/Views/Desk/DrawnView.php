<?php

declare(strict_types=1);

namespace App\Views\Desk;

/** What a part would look like. */
final readonly class DrawnView
{
    /**
     * @param  list<NoteView>  $notes
     * @param  list<FindingView>  $findings
     */
    public function __construct(
        public array $notes,
        public array $findings,
    ) {}
}
