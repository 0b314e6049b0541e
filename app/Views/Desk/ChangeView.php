<?php

declare(strict_types=1);

namespace App\Views\Desk;

/** The way of the bow after a change on a held note. */
final readonly class ChangeView
{
    /**
     * @param  float  $share  of the length of the note
     * @param  float|null  $from  0 is the frog, 1 the tip
     */
    public function __construct(
        public float $share,
        public ?float $from,
        public ?float $to,
    ) {}
}
