<?php

declare(strict_types=1);

namespace App\Views\Importing;

/** What a corrected edition would change in a part. */
final readonly class CorrectedPartView
{
    /**
     * @param  string|null  $from  part of the file; null: none fits
     * @param  int  $same  notes that are known again
     * @param  int  $fresh  notes that come new
     * @param  list<string>  $measures  in which notes go or come
     * @param  int  $kept  decided notes that stay
     * @param  list<GoneView>  $gone  decisions that lose their note
     * @param  string  $base  names its notes as they are
     */
    public function __construct(
        public int $part,
        public string $name,
        public ?string $from,
        public int $same,
        public int $fresh,
        public array $measures,
        public int $kept,
        public array $gone,
        public string $base,
    ) {}
}
