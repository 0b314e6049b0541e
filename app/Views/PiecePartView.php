<?php

declare(strict_types=1);

namespace App\Views;

use App\Models\Part;
use UprightPencil\Core\Strings\Instrument;

/** A part on the page of its piece. */
final readonly class PiecePartView
{
    public function __construct(
        public int $id,
        public string $name,
        public Instrument $instrument,
        public ?int $section,
        public bool $putAway,
    ) {}

    public static function of(Part $part): self
    {
        return new self($part->id, $part->name, $part->instrument, $part->section_id, $part->put_away_at !== null);
    }
}
