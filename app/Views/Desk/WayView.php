<?php

declare(strict_types=1);

namespace App\Views\Desk;

use App\Views\Typed;
use UprightPencil\Core\Fingering\Search\Alternative;
use UprightPencil\Core\Fingering\Search\FingerChange;
use UprightPencil\Core\Marking\Kinds\Finger;
use UprightPencil\Core\Marking\Vocabulary;
use UprightPencil\Core\Strings\Instrument;

/** Another way to finger a stretch, and how it compares with the chosen one. */
final readonly class WayView
{
    /**
     * @param  float  $extra  points more
     * @param  list<WayNoteView>  $notes
     * @param  list<array<string, mixed>>  $decisions  what would be decided to take it
     * @param  list<string>  $gains
     * @param  list<string>  $costs
     */
    public function __construct(
        public float $extra,
        public array $notes,
        #[Typed('Decision[]')]
        public array $decisions,
        public array $gains,
        public array $costs,
    ) {}

    public static function of(Alternative $way, Instrument $instrument, Vocabulary $vocabulary): self
    {
        $notes = [];
        foreach ($way->events as $index => $event) {
            foreach ($event->notes as $head => $note) {
                $stop = $way->grips[$index]->stops[$head];
                $notes[] = new WayNoteView($note->id, $note->pitch?->spoken(), $instrument->stringName($stop->string), $stop->finger, $stop->placement, $way->grips[$index]->position);
            }
        }

        return new self($way->extra, $notes, array_map(static fn (FingerChange $change): array => Finger::decided($change, $instrument)->toArray(), $way->changes()), array_map($vocabulary->say(...), $way->gains), array_map($vocabulary->say(...), $way->costs));
    }
}
