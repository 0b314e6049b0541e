<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Fingering\Alternative;
use UprightPencil\Core\Fingering\PlayedLine;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;

/** A part with directions, fingers and findings. */
final readonly class MarkedPart
{
    /**
     * @param  float  $tempo  quarters a minute at the start
     * @param  list<NoteMark>  $notes  in written order
     * @param  list<Finding>  $findings  in the order of the page
     * @param  list<Alternative>  $alternatives  by phrase, cheapest first
     * @param  list<PlayedLine>  $lines  the fingered lines, to look over
     */
    public function __construct(
        public Part $part,
        public Instrument $instrument,
        public Level $level,
        public float $tempo,
        public array $notes,
        public array $findings,
        public float $bowingCost,
        public float $fingeringCost,
        public array $alternatives = [],
        public array $lines = [],
    ) {}

    /** @return array<string, int> note id => ticks from the start of the part */
    public function starts(): array
    {
        $starts = [];
        foreach ($this->part->measures as $measure) {
            foreach ($measure->notes() as $note) {
                $starts[$note->id] = $measure->start + $note->onset;
            }
        }

        return $starts;
    }

    /** @return array<string, mixed> in the words of `contract.md` */
    public function toArray(): array
    {
        return [
            'id' => $this->part->id,
            'name' => $this->part->name,
            'instrument' => $this->instrument->value,
            'level' => $this->level->value,
            'tempo' => $this->tempo,
            'notes' => array_map(static fn (NoteMark $mark): array => $mark->toArray(), $this->notes),
            'findings' => array_map(static fn (Finding $finding): array => $finding->toArray(), $this->findings),
            'cost' => ['bowing' => round($this->bowingCost, 2), 'fingering' => round($this->fingeringCost, 2)],
            'alternatives' => array_map($this->alternative(...), $this->alternatives),
        ] + SizeUp::of($this)->toArray();
    }

    /** @return array<string, mixed> */
    private function alternative(Alternative $alternative): array
    {
        return self::told($alternative, $this->instrument);
    }

    /**
     * An alternative in the words of `contract.md`, with the decisions that would take it.
     *
     * @return array{from: string|null, to: string|null, extra: float, notes: list<array{id: string, pitch: string|null, string: string, finger: int, placement: string, position: float}>, decisions: list<array{note: string, string: string, finger: int, placement: string, position?: float}>, gains: list<string>, costs: list<string>}
     */
    public static function told(Alternative $alternative, Instrument $instrument): array
    {
        $notes = $decisions = [];
        foreach ($alternative->events as $index => $event) {
            foreach ($event->notes as $head => $note) {
                $stop = $alternative->grips[$index]->stops[$head];
                $position = $alternative->grips[$index]->position;
                $way = ['string' => $instrument->stringName($stop->string), 'finger' => $stop->finger, 'placement' => $stop->placement->value];
                $notes[] = ['id' => $note->id, 'pitch' => $note->pitch?->spoken()] + $way + ['position' => $position];
                if ($alternative->differsAt($index)) {
                    $decisions[] = ['note' => $note->id] + $way + ($stop->finger === 0 ? [] : ['position' => $position]);
                }
            }
        }

        return [
            'from' => $notes[0]['id'] ?? null,
            'to' => $notes[count($notes) - 1]['id'] ?? null,
            'extra' => $alternative->extra,
            'notes' => $notes,
            'decisions' => $decisions,
            'gains' => $alternative->gains(),
            'costs' => $alternative->costs(),
        ];
    }
}
