<?php

declare(strict_types=1);

namespace App\Views\Importing;

use App\Views\Typed;

/** The notes of a part as they were once, or are now. */
final readonly class EditionView
{
    /**
     * @param  string  $how  imported, typed, corrected or brought back
     * @param  string|null  $by  who changed them; null: as they first came
     * @param  string  $source  the file that they came from
     * @param  list<string>  $measures  in which it differs from the one before
     */
    public function __construct(
        public int $id,
        #[Typed('\'imported\' | \'typed\' | \'corrected\' | \'brought back\'')]
        public string $how,
        public ?string $by,
        public string $at,
        public string $source,
        public bool $current,
        public array $measures,
    ) {}
}
