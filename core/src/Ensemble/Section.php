<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble;

use UprightPencil\Core\Marking\Kinds\Playing;
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

    /**
     * @param  int  $times  by which the ticks of the part are multiplied, so that all sections count alike
     * @param  list<LinedNote>  $notes  of its fullest voice, ties as one note, grace notes and chord notes left out
     * @param  array<int, non-empty-list<LinedNote>>  $measures  tick at which it starts => the notes that begin in it
     */
    private function __construct(
        public readonly int $index,
        public readonly MarkedPart $part,
        public readonly int $times,
        public readonly array $notes,
        public readonly array $measures,
    ) {}

    /** @param int|null $resolution ticks in a quarter, a multiple of the part's own; null: its own */
    public static function of(int $index, MarkedPart $part, ?int $resolution = null): self
    {
        $times = $resolution === null ? 1 : intdiv($resolution, $part->beats->resolution);
        $chords = self::everyChord($part);
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
            $end = ($mark->place->tick + $mark->note->duration) * $times;
            if ($before !== null && $mark->note->tieStop) {
                $notes[] = new LinedNote($index, $before->mark, $end, $before->slurred, $before->gap, $times, $before->chord, $before->solo);

                continue;
            }
            $before === null || $notes[] = $before;
            $notes[] = new LinedNote($index, $mark, $end, $slurred, max(0, $mark->place->tick * $times - ($before->end ?? 0)), $times, $chords[$mark->note->id] ?? [], Playing::isSolo($mark));
        }
        foreach ($notes as $note) {
            $measures[$part->part->measures[$part->beats->measureAt($note->mark->place->tick)]->start * $times][] = $note;
        }

        return new self($index, $part, $times, $notes, $measures);
    }

    /** @return list<NoteMark> */
    private static function fullestVoice(MarkedPart $part): array
    {
        $voices = [];
        foreach ($part->notes as $mark) {
            ! $mark->note->sounds() || $mark->note->chord || $mark->note->grace || $voices[MarkedPage::voice($mark)][] = $mark;
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
        return [$note->mark, ...$note->chord];
    }

    /** @return array<string, list<NoteMark>> id of the lead => the other heads */
    private static function everyChord(MarkedPart $part): array
    {
        $chords = [];
        $lead = '';
        foreach ($part->notes as $mark) {
            if (! $mark->note->sounds()) {
                continue;
            }
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

        return $from === false || $to === false || $to < $from ? [] : $this->within($this->part->part->measures[$from]->start * $this->times, $this->part->part->measures[$to]->start * $this->times + 1);
    }

    /**
     * @param  int  $from  tick
     * @param  int  $until  tick
     * @return list<LinedNote> the notes of the measures that start from the one to before the other
     */
    public function within(int $from, int $until): array
    {
        return array_merge([], ...array_values(array_filter($this->measures, static fn (int $start): bool => $start >= $from && $start < $until, ARRAY_FILTER_USE_KEY)));
    }

    /** @return list<LinedNote> the note that is held into a stretch of measures, and those that begin in it */
    public function heard(int $from, int $until): array
    {
        $held = $this->at($from);

        return [...$held === null ? [] : [$held], ...$this->within($from, $until)];
    }

    /** The note that sounds at a tick; null where it rests. */
    public function at(int $tick): ?LinedNote
    {
        $low = 0;
        $high = count($this->notes) - 1;
        while ($low <= $high) {
            $middle = intdiv($low + $high, 2);
            $note = $this->notes[$middle];
            if ($note->tick() > $tick) {
                $high = $middle - 1;
            } elseif ($note->end <= $tick) {
                $low = $middle + 1;
            } else {
                return $note;
            }
        }

        return null;
    }

    public function id(): string
    {
        return $this->part->part->id;
    }

    public function name(): string
    {
        return $this->part->part->name;
    }
}
