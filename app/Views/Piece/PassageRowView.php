<?php

declare(strict_types=1);

namespace App\Views\Piece;

/** A section against the passages of its piece. */
final readonly class PassageRowView
{
    /**
     * @param  int  $part  its id
     * @param  bool  $sizedUp  somebody has looked it over
     * @param  int  $findings  left in all of it
     * @param  list<PassageCellView>  $cells  one for each passage
     */
    public function __construct(
        public int $part,
        public string $name,
        public bool $sizedUp,
        public int $findings,
        public array $cells,
    ) {}
}
