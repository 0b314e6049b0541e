<?php

declare(strict_types=1);

namespace App\Views\Piece;

use App\Models\Section;
use UprightPencil\Core\Strings\Instrument;

/** A section, or a group of its players. */
final readonly class SectionView
{
    /**
     * @param  int|null  $section  that a group belongs to; null: it is a section
     * @param  int  $stands  how many there are; 0 where nobody said
     * @param  bool  $own  it was taught something else than its class or section
     */
    public function __construct(
        public int $id,
        public ?int $section,
        public string $name,
        public Instrument $instrument,
        public int $stands,
        public bool $own,
    ) {}

    public static function of(Section $section): self
    {
        return new self($section->id, $section->parent_id, $section->name, $section->instrument, $section->stands, ($section->profile ?? []) !== []);
    }
}
