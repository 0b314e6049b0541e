<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/** How far a part sounds from what is written. */
final readonly class Transposition
{
    /**
     * @param  int  $chromatic  semitones, without the octaves
     * @param  int  $octaves  further whole octaves
     */
    public function __construct(
        public int $chromatic,
        public int $octaves = 0,
        public ?int $diatonic = null,
        public bool $double = false,
    ) {}

    public function semitones(): int
    {
        return $this->chromatic + 12 * $this->octaves - ($this->double ? 12 : 0);
    }
}
