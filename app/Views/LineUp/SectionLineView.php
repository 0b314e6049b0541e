<?php

declare(strict_types=1);

namespace App\Views\LineUp;

use App\Views\Typed;

/** What a section has to know of a passage. */
final readonly class SectionLineView
{
    /**
     * @param  string  $workedOut  the line that it takes the place of
     * @param  bool  $stale  what it was written about has changed
     * @param  string|null  $note  its first; null: it rests
     */
    public function __construct(
        public string $passage,
        public string $from,
        public string $to,
        public int $part,
        #[Typed('\'rests\' | \'as before\' | \'new\' | \'exception\'')]
        public string $kind,
        public string $text,
        public string $workedOut,
        public bool $edited,
        public bool $stale,
        public ?string $note,
    ) {}
}
