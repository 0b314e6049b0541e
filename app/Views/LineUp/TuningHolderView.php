<?php

declare(strict_types=1);

namespace App\Views\LineUp;

/** How a section has the note to tune to. */
final readonly class TuningHolderView
{
    /**
     * @param  string  $part  its name
     * @param  string  $compare  with the lowest
     */
    public function __construct(
        public string $part,
        public string $pitch,
        public ?string $string,
        public ?string $finger,
        public bool $open,
        public string $compare,
        public ?string $risk,
    ) {}
}
