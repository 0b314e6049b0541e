<?php

declare(strict_types=1);

namespace App\Views;

use App\Models\Part;
use UprightPencil\Core\Strings\Instrument;

/** A part on the page of its piece. */
final readonly class PiecePartView
{
    /**
     * @param  int|null  $derivedFrom  the part that it was made from
     * @param  int  $editions  how many its notes have had; 0 where they never changed
     */
    public function __construct(
        public int $id,
        public string $name,
        public Instrument $instrument,
        public ?int $section,
        public bool $putAway,
        public ?int $derivedFrom,
        public int $editions,
    ) {}

    public static function of(Part $part): self
    {
        return new self($part->id, $part->name, $part->instrument, $part->section_id, $part->put_away_at !== null, $part->derived_from, (int) $part->getAttribute('versions_count'));
    }
}
