<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble\Comparing;

use UprightPencil\Core\Ensemble\LinedNote;
use UprightPencil\Core\Ensemble\Orchestra;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Score\BowSign;

/** All who play come in together, and not all on one direction. */
final class EntriesDiffer extends Comparison
{
    /** Fewer sections are no tutti. */
    private const TUTTI = 3;

    public function code(): string
    {
        return 'entries-differ';
    }

    public function of(Orchestra $orchestra): array
    {
        $found = [];
        foreach ($this->entries($orchestra) as $tick => $notes) {
            $bowed = array_values(array_filter($notes, static fn (LinedNote $note): bool => $note->direction() !== '-' && ! $note->solo));
            $ways = count(array_unique(array_map(static fn (LinedNote $note): string => $note->direction(), $bowed)));
            // Those with the same rhythm are compared note by note, and told so.
            $ways > 1 && ! $this->isOneRhythm($orchestra, $bowed) && $found[] = $this->told($orchestra, $tick, $bowed);
        }

        return $found;
    }

    /** @return array<int, list<LinedNote>> tick => the notes with which everybody who sounds comes in after a rest */
    private function entries(Orchestra $orchestra): array
    {
        $entries = [];
        foreach ($orchestra->sections as $section) {
            foreach ($section->notes as $index => $note) {
                ($index === 0 || $note->gap > 0) && $entries[$note->tick()][] = $note;
            }
        }
        ksort($entries);

        return array_filter($entries, static fn (array $notes, int $tick): bool => count($notes) >= self::TUTTI && count(array_filter($orchestra->sections, static fn ($section): bool => $section->at($tick) !== null)) === count($notes), ARRAY_FILTER_USE_BOTH);
    }

    /** @param list<LinedNote> $notes */
    private function isOneRhythm(Orchestra $orchestra, array $notes): bool
    {
        $sections = array_map(static fn (LinedNote $note): int => $note->part, $notes);
        foreach ($orchestra->together() as $start => $groups) {
            foreach ($groups as $group) {
                $measure = $orchestra->sections[$group[0]]->measures[$start];
                $ends = $measure[count($measure) - 1]->end;
                if ($notes[0]->tick() >= $start && $notes[0]->tick() < $ends && array_diff($sections, $group) === []) {
                    return true;
                }
            }
        }

        return false;
    }

    /** @param list<LinedNote> $notes */
    private function told(Orchestra $orchestra, int $tick, array $notes): OutOfLine
    {
        $ways = [];
        foreach ($notes as $note) {
            $ways[$note->direction()][] = $note;
        }
        uasort($ways, static fn (array $a, array $b): int => count($b) <=> count($a));
        [$most, $few] = array_values($ways);
        $remedies = [];
        foreach ($ways as $way => $those) {
            $sign = $way === 'd' ? BowSign::Down : BowSign::Up;
            $others = array_values(array_filter($notes, static fn (LinedNote $note): bool => $note->direction() !== $way));
            $decisions = [];
            foreach ($others as $note) {
                $decisions[$note->part][] = Decision::onNote($note->id(), ['direction' => $sign->value]);
            }
            $remedies[] = new Remedy($orchestra->names(LinedNote::sections($others)).(count($others) === 1 ? ' comes' : ' come')." in {$sign->value}-bow as {$orchestra->names(LinedNote::sections($those))}", $decisions, $those[0]->part);
        }
        $message = "All come in together: {$orchestra->names(LinedNote::sections($most))} ".($most[0]->direction() === 'd' ? 'down' : 'up').", {$orchestra->names(LinedNote::sections($few))} ".($few[0]->direction() === 'd' ? 'down' : 'up').'.';

        return new OutOfLine($this->code(), $tick, $tick + $orchestra->beatTicks($tick), [$most[0]->part, ...array_slice([...LinedNote::sections($most), ...LinedNote::sections($few)], 1)], $message, $few, $remedies);
    }
}
