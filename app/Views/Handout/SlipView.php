<?php

declare(strict_types=1);

namespace App\Views\Handout;

use App\Views\Desk\SheetLineView;

/** What a player changes on one page so that it reads as another. */
final readonly class SlipView
{
    /**
     * @param  list<SheetLineView>  $lines
     * @param  list<string>  $otherNotes  measures whose notes are others by now
     */
    public function __construct(
        public SlipEndView $from,
        public SlipEndView $to,
        public array $lines,
        public array $otherNotes,
    ) {}
}
