<?php

declare(strict_types=1);

namespace App\Views\Shelf;

use App\Views\Typed;

/** What is to be done first in a piece, and where. */
final readonly class NextStepView
{
    /**
     * @param  int|null  $part  where it is done; null: nothing is left
     * @param  int  $count  findings, versions, marks since the handout; parts that wait
     */
    public function __construct(
        #[Typed('\'notes\' | \'size-up\' | \'findings\' | \'settle\' | \'hand-out\' | \'out-of-date\' | \'done\'')]
        public string $step,
        public ?int $part,
        public string $name,
        public int $count,
    ) {}
}
