<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Fingering\FingeringFinding;
use UprightPencil\Core\Fingering\Search\DividedNote;
use UprightPencil\Core\Score\Line;

/** Something the director should look at, from bowing or fingering. */
final readonly class Finding
{
    /**
     * @param  string  $note  id
     * @param  list<Fix>  $fixes  cheapest first
     * @param  bool  $mended  no finding but a note of the plan at its mark: what was done, and why
     * @param  list<array{player: string, note: string, pitch: string, string: string, finger: int}>  $divisi  how players would share a chord
     * @param  float  $severity  0 to 3, for the bow
     */
    public function __construct(
        public string $code,
        public Place $place,
        public string $note,
        public string $message,
        public array $fixes = [],
        public bool $mended = false,
        public array $divisi = [],
        public float $severity = 0.0,
    ) {}

    public static function ofFingers(FingeringFinding $finding, MarkingCase $case, Line $line): self
    {
        $place = new Place($case->part->measures[$finding->measure]->number, 1.0, $case->part->measures[$finding->measure]->start);
        foreach ($line->events as $event) {
            $place = in_array($finding->note, $event->notes, true) ? $case->place($event) : $place;
        }

        return new self($finding->code, $place, $finding->note->id, $finding->message, divisi: array_map(static fn (DividedNote $one): array => [
            'player' => $one->player,
            'note' => $one->note->id,
            'pitch' => (string) $one->note->pitch?->name(),
            'string' => $case->instrument->stringName($one->stop->string),
            'finger' => $one->stop->finger,
        ], $finding->divisi));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'code' => $this->code,
            'measure' => $this->place->measure,
            'beat' => $this->place->beat,
            'note' => $this->note,
            'message' => $this->message,
            'fixes' => array_map(static fn (Fix $fix): array => $fix->toArray(), $this->fixes),
            'mended' => $this->mended,
        ] + ($this->divisi === [] ? [] : ['divisi' => $this->divisi]);
    }
}
