<?php

declare(strict_types=1);

namespace App\Views\Importing;

use UprightPencil\Core\Ensemble\Derived\DerivedPart;
use UprightPencil\Core\Ensemble\Derived\Shift;
use UprightPencil\Core\Score\Note;

/** A part that could be made from another one; nothing is kept yet. */
final readonly class DerivedView
{
    /**
     * @param  list<ShiftView>  $shifts
     * @param  list<VoiceView>  $voices  the lines that the source holds
     * @param  string  $music  as MusicXML
     */
    private function __construct(
        public string $name,
        public int $notes,
        public array $shifts,
        public array $voices,
        public string $music,
    ) {}

    /** @param array<string, array{int, string}> $lines staff and voice of each line of the source */
    public static function of(DerivedPart $derived, array $lines, string $music): self
    {
        $heads = array_filter($derived->part->notes(), static fn (Note $note): bool => ! $note->rest);

        return new self($derived->part->name, count($heads), array_map(static fn (Shift $shift): ShiftView => new ShiftView($shift->measure, $shift->last, $shift->notes, $shift->octaves, $shift->because), $derived->shifts), array_values(array_map(static fn (array $line): VoiceView => new VoiceView($line[0], $line[1]), $lines)), $music);
    }
}
