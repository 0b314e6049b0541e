<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

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
            'alternatives' => [],
        ];
    }
}
