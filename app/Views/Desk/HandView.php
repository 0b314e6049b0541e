<?php

declare(strict_types=1);

namespace App\Views\Desk;

/** How the hand goes through a part. */
final readonly class HandView
{
    /**
     * @param  list<string>  $strings  lowest first
     * @param  list<HandNoteView>  $notes
     */
    public function __construct(
        public array $strings,
        public array $notes,
    ) {}
}
