<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble;

use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\NoteMark;

/** A marked part as it lies under the others: its struck notes in time, measure by measure. */
final class Section
{
    /** @var list<string>|null */
    private ?array $steps = null;

    /** @var array<string, int>|null */
    private ?array $places = null;

    /** @var array<string, list<NoteMark>>|null */
    private ?array $chords = null;

    /**
     * @param  list<LinedNote>  $notes  of its fullest voice, ties as one note, grace notes and chord notes left out
     * @param  array<string, non-empty-list<LinedNote>>  $measures  printed number => the notes that begin in it
     */
    private function __construct(
        public readonly int $index,
        public readonly MarkedPart $part,
        public readonly array $notes,
        public readonly array $measures,
    ) {}

    public static function of(int $index, MarkedPart $part): self
    {
        $notes = $measures = [];
        $open = 0;
        foreach (self::fullestVoice($part) as $mark) {
            $slurred = $open > 0;
            foreach ($mark->note->slurs as $slur) {
                $open = max(0, $open + match ($slur->type) {
                    'start' => 1, 'stop' => -1, default => 0
                });
            }
            $before = array_pop($notes);
            $end = $mark->place->tick + $mark->note->duration;
            if ($before !== null && $mark->note->tieStop) {
                $notes[] = new LinedNote($index, $before->mark, $end, $before->slurred, $before->gap);

                continue;
            }
            $before === null || $notes[] = $before;
            $notes[] = new LinedNote($index, $mark, $end, $slurred, max(0, $mark->place->tick - ($before->end ?? 0)));
        }
        foreach ($notes as $note) {
            $measures[$note->mark->place->measure][] = $note;
        }

        return new self($index, $part, $notes, $measures);
    }

    /** @return list<NoteMark> */
    private static function fullestVoice(MarkedPart $part): array
    {
        $voices = [];
        foreach ($part->notes as $mark) {
            $mark->note->chord || $mark->note->grace || $voices[MarkedPage::voice($mark)][] = $mark;
        }
        usort($voices, static fn (array $a, array $b): int => count($b) <=> count($a));

        return $voices[0] ?? [];
    }

    /** @return list<string> from each note but the last to the next */
    public function steps(): array
    {
        return $this->steps ??= array_map(static fn (LinedNote $note, LinedNote $next): string => $note->step($next), array_slice($this->notes, 0, -1), array_slice($this->notes, 1));
    }

    /**
     * The place of a note: of one that is held over, that of its first head; of a chord, that of its lead.
     *
     * @return int|null null where it is in another voice
     */
    public function indexOf(string $id): ?int
    {
        $this->places ??= $this->everyPlace();

        return $this->places[$id] ?? null;
    }

    /** @return non-empty-list<NoteMark> a note, and the heads of its chord */
    public function heads(LinedNote $note): array
    {
        $this->chords ??= $this->everyChord();

        return [$note->mark, ...$this->chords[$note->id()] ?? []];
    }

    /** @return array<string, list<NoteMark>> id of the lead => the other heads */
    private function everyChord(): array
    {
        $chords = [];
        $lead = '';
        foreach ($this->part->notes as $mark) {
            if ($mark->note->chord) {
                $chords[$lead][] = $mark;
            } else {
                $lead = $mark->note->id;
            }
        }

        return $chords;
    }

    /** @return array<string, int> */
    private function everyPlace(): array
    {
        $places = [];
        foreach ($this->notes as $place => $note) {
            $places[$note->id()] = $place;
        }
        $last = null;
        foreach ($this->part->notes as $mark) {
            $last = $places[$mark->note->id] ?? $last;
            $last !== null && ($mark->note->chord || $mark->note->tieStop || $mark->note->grace) && $places[$mark->note->id] ??= $last;
        }

        return $places;
    }

    /**
     * @param  string  $first  printed number of a measure
     * @param  string  $last  of a later one, or the same
     * @return list<LinedNote> the notes that begin in them
     */
    public function between(string $first, string $last): array
    {
        $numbers = array_column($this->part->part->measures, 'number');
        $from = array_search($first, $numbers, true);
        $to = array_search($last, array_reverse($numbers, true), true);

        return $from === false || $to === false || $to < $from ? [] : array_merge([], ...array_values(array_intersect_key($this->measures, array_flip(array_slice($numbers, $from, $to - $from + 1)))));
    }

    public function id(): string
    {
        return $this->part->part->id;
    }
}
