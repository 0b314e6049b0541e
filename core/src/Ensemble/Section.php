<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble;

use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\NoteMark;

/** A marked part as it lies under the others: its struck notes in time, measure by measure. */
final readonly class Section
{
    /**
     * @param  list<LinedNote>  $notes  of its fullest voice, ties as one note, grace notes and chord notes left out
     * @param  array<string, non-empty-list<LinedNote>>  $measures  printed number => the notes that begin in it
     */
    private function __construct(
        public int $index,
        public MarkedPart $part,
        public array $notes,
        public array $measures,
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

    public function id(): string
    {
        return $this->part->part->id;
    }
}
