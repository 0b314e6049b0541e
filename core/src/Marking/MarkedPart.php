<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Fingering\Search\Alternative;
use UprightPencil\Core\Fingering\Search\FingerChange;
use UprightPencil\Core\Fingering\Search\FingeredLine;
use UprightPencil\Core\Fingering\Trouble\PlayedLine;
use UprightPencil\Core\Marking\Kinds\Finger;
use UprightPencil\Core\Score\Beats;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Strings\SoundingPitch;

/** A part with directions, fingers and findings. */
final readonly class MarkedPart
{
    public HouseStyle $style;

    public Level $level;

    /**
     * @param  Part  $printed  as it came
     * @param  Part  $written  the print with what the pencil changes in it
     * @param  Part  $part  as it is played: without what is cut
     * @param  float  $tempo  quarters a minute at the start
     * @param  list<NoteMark>  $notes  in written order
     * @param  list<Finding>  $findings  in the order of the page
     * @param  list<Alternative>  $alternatives  by phrase, cheapest first
     * @param  list<FingeredLine>  $fingered  its lines
     */
    public function __construct(
        public Part $printed,
        public Part $written,
        public Part $part,
        public Instrument $instrument,
        private Settings $settings,
        public Beats $beats,
        private SoundingPitch $sounding,
        public float $tempo,
        public array $notes,
        public array $findings,
        public float $bowingCost,
        public float $fingeringCost,
        public array $alternatives = [],
        public array $fingered = [],
    ) {
        $this->style = $settings->style;
        $this->level = $settings->profile->level;
    }

    /** @return int the tick at which the part ends, as written */
    public function end(): int
    {
        $last = $this->part->measures[count($this->part->measures) - 1] ?? null;

        return $last === null ? 0 : $last->start + $last->length;
    }

    /** The MIDI number of a note as it sounds; null where it has no pitch. */
    public function soundingMidi(Note $note): ?int
    {
        return $note->pitch === null ? null : $this->sounding->sounding($note->pitch)->midi();
    }

    /** @return list<int> measures of the print that are not played, by index */
    public function silent(): array
    {
        return $this->settings->order->silent($this->printed);
    }

    /** @return list<string> what a player is told of the order of performance */
    public function order(): array
    {
        return $this->settings->order->sentences($this->printed);
    }

    /** @return list<NoteMark> those that are played: what the pencil leaves out is still on the page */
    public function sounding(): array
    {
        return array_values(array_filter($this->notes, static fn (NoteMark $note): bool => $note->note->sounds()));
    }

    /** @return list<PlayedLine> the fingered lines, to look over */
    public function lines(): array
    {
        return array_map(fn (FingeredLine $line): PlayedLine => PlayedLine::of($line, $this->part, $this->instrument, $this->settings->profile, $this->beats), $this->fingered);
    }

    /** @return list<Finding> what is left for the director */
    public function open(): array
    {
        return array_values(array_filter($this->findings, static fn (Finding $finding): bool => ! $finding->mended));
    }

    /** @return list<Finding> what the plan did, and why */
    public function planNotes(): array
    {
        return array_values(array_filter($this->findings, static fn (Finding $finding): bool => $finding->mended));
    }

    /** @return array<string, mixed> in the words of `contract.md`, to be written as JSON */
    public function toArray(): array
    {
        return [
            'id' => $this->part->id,
            'name' => $this->part->name,
            'instrument' => $this->instrument->value,
            'level' => $this->level->value,
            'tempo' => $this->tempo,
            'order' => $this->order(),
            'notes' => array_map(fn (NoteMark $mark): ToldNote => new ToldNote($mark, $this->sounding), $this->notes),
            'findings' => array_map(static fn (Finding $finding): array => $finding->toArray(), $this->open()),
            'plan' => array_map(static fn (Finding $note): array => $note->toArray(), $this->planNotes()),
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
     * @return array{from: string|null, to: string|null, extra: float, notes: list<array{id: string, pitch: string|null, string: string, finger: int, placement: string, position: float}>, decisions: list<array<string, mixed>>, gains: list<string>, costs: list<string>}
     */
    public static function told(Alternative $alternative, Instrument $instrument): array
    {
        $notes = [];
        foreach ($alternative->events as $index => $event) {
            foreach ($event->notes as $head => $note) {
                $stop = $alternative->grips[$index]->stops[$head];
                $notes[] = [
                    'id' => $note->id,
                    'pitch' => $note->pitch?->spoken(),
                    'string' => $instrument->stringName($stop->string),
                    'finger' => $stop->finger,
                    'placement' => $stop->placement->value,
                    'position' => $alternative->grips[$index]->position,
                ];
            }
        }

        return [
            'from' => $notes[0]['id'] ?? null,
            'to' => $notes[count($notes) - 1]['id'] ?? null,
            'extra' => $alternative->extra,
            'notes' => $notes,
            'decisions' => array_map(static fn (FingerChange $change): array => Finger::decided($change, $instrument)->toArray(), $alternative->changes()),
            'gains' => $alternative->gains,
            'costs' => $alternative->costs,
        ];
    }
}
