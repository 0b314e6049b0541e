<?php

declare(strict_types=1);

namespace App\Views\Piece;

use App\Models\Part;
use App\Record\Deriving;
use UprightPencil\Core\Strings\Instrument;

/** A part on the page of its piece. */
final readonly class PiecePartView
{
    /**
     * @param  int|null  $derivedFrom  the part that it was made from
     * @param  int  $stands  of its section; 0 where nobody said
     * @param  int|null  $players  how many sit there, where it is not two at every stand
     * @param  list<string>  $otherwise  measures that it bows otherwise than the part that it was made from
     * @param  list<string>  $gone  measures with bows of that part for notes that it does not have
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
        public int $stands,
        public ?int $players,
        public array $otherwise,
        public array $gone,
    ) {}

    public static function of(Part $part): self
    {
        $section = $part->section_id === null ? null : $part->section()->first();
        $misfits = $part->derived_from === null ? ['otherwise' => [], 'gone' => []] : Deriving::misfits($part);

        return new self($part->id, $part->name, $part->instrument, $part->section_id, $part->put_away_at !== null, $part->derived_from, (int) $part->getAttribute('versions_count'), $section->stands ?? 0, $section?->players, $misfits['otherwise'], $misfits['gone']);
    }
}
