<?php

declare(strict_types=1);

namespace App\Views\LineUp;

/** A passage in which a section is divided. */
final readonly class DividedView
{
    /**
     * @param  bool  $decided  false: the print says so
     * @param  list<DividedLineView>  $lines
     */
    public function __construct(
        public int $part,
        public string $from,
        public string $to,
        public string $how,
        public bool $decided,
        public array $lines,
    ) {}
}
