<?php

declare(strict_types=1);

namespace App\Views;

/** A concert or a rehearsal. */
final readonly class OccasionView
{
    /**
     * @param  string  $on  the day, as 2027-03-18
     * @param  list<string>  $pieces  titles of what is played
     */
    public function __construct(
        public int $id,
        #[Typed('\'concert\' | \'rehearsal\'')]
        public string $kind,
        public string $name,
        public string $on,
        public array $pieces = [],
    ) {}
}
