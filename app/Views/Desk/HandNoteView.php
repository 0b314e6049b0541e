<?php

declare(strict_types=1);

namespace App\Views\Desk;

/** What the hand track is drawn from. */
final readonly class HandNoteView
{
    /**
     * @param  string|null  $finger  as it is written
     * @param  string|null  $position  as it is written
     * @param  bool  $tied  held over from the note before
     */
    public function __construct(
        public string $id,
        public ?string $finger,
        public ?string $string,
        public ?string $position,
        public ?StopView $stop,
        public bool $tied,
        public bool $afterRest,
    ) {}
}
