<?php

declare(strict_types=1);

namespace App\Views\LineUp;

/** What is out of line in a piece. */
final readonly class OutOfLinesView
{
    /**
     * @param  list<OutOfLineView>  $findings
     */
    public function __construct(
        public array $findings,
    ) {}
}
