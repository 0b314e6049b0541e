<?php

declare(strict_types=1);

namespace App\Views\Piece;

use App\Models\Occasion;
use App\Views\Typed;

/** A concert or a rehearsal. */
final readonly class OccasionView
{
    /**
     * @param  string  $on  the day, as 2027-03-18
     * @param  list<string>  $pieces  titles of what is played
     * @param  string|null  $starts  the hour, as 19:30
     * @param  int|null  $minutes  how long it is
     * @param  list<string>  $left  what is left before it, in words
     * @param  list<string>|null  $sections  instruments that come; null: everybody
     */
    public function __construct(
        public int $id,
        #[Typed('\'concert\' | \'rehearsal\'')]
        public string $kind,
        public string $name,
        public string $on,
        public array $pieces = [],
        public ?string $starts = null,
        public ?int $minutes = null,
        public array $left = [],
        #[Typed('(\'violin\' | \'viola\' | \'cello\' | \'bass\')[] | null')]
        public ?array $sections = null,
    ) {}

    /**
     * @param  list<string>  $pieces
     * @param  list<string>  $left
     */
    public static function of(Occasion $occasion, array $pieces = [], array $left = []): self
    {
        return new self($occasion->id, $occasion->kind, $occasion->name, $occasion->on->toDateString(), $pieces, $occasion->starts, $occasion->minutes, $left, $occasion->sections);
    }
}
