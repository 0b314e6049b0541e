<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Dividing;

use UprightPencil\Core\Marking\Kinds\Divide;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\PrintedWords;
use UprightPencil\Core\Score\Line;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;

/**
 * Which notes of a part are whose. Notes are divided where that is decided or printed (“div.”), and where two voices sound in one
 * measure; what is not divided is everybody's.
 */
final class Shares
{
    /** @var array<int, array{Division, int, bool}> measure => how, how many measures after the first of its passage, whether it is decided */
    private array $measures = [];

    /** @var array<int, int> measure => lines */
    private array $lines = [];

    /** @var array<string, int> note => its line, from the top; only of divided notes */
    private array $lineOf = [];

    /** @var array<string, int> note => the lowest line of its chord */
    private array $lowest = [];

    /** @var list<non-empty-list<string>> divided notes on one stem, from the top */
    private array $stems = [];

    private function __construct(private readonly Part $part) {}

    public static function of(Part $part, PartDecisions $decisions): self
    {
        $shares = new self($part);
        $shares->read(PrintedWords::of($part, Line::allOf($part))->fields, $decisions);

        return $shares;
    }

    /** @param array<string, array<string, mixed>> $printed */
    private function read(array $printed, PartDecisions $decisions): void
    {
        $before = null;
        foreach ($this->part->measures as $index => $measure) {
            [$how, $decided] = [null, false];
            foreach ($measure->notes() as $note) {
                $said = $decisions->notes[$note->id][Divide::FIELD] ?? null;
                $how = $note->sounds() && is_string($said) ? Division::tryFrom($said) : $how;
                $decided = $decided || $said !== null;
            }
            foreach ($how === null ? $measure->notes() : [] as $note) {
                $said = $printed[$note->id][Divide::FIELD] ?? null;
                $how = is_string($said) ? Division::tryFrom($said) : $how;
            }
            $voices = $this->voices($measure);
            $how ??= count($voices) > 1 ? ($before[0] ?? Division::OutsideTop) : null;
            $lines = $how === null ? 0 : $this->divide($voices);
            if ($how === null || $lines < 2) {
                $before = $how === null ? null : $before;

                continue;
            }
            $this->lines[$index] = $lines;
            $this->measures[$index] = $before = [$how, $before !== null && $before[0] === $how ? $before[1] + 1 : 0, $decided];
        }
    }

    /** @return list<list<Note>> the sounding notes of each voice, the upper one first */
    private function voices(Measure $measure): array
    {
        $voices = [];
        foreach ($measure->notes() as $note) {
            $note->sounds() && ! $note->grace && $voices[$note->line()][] = $note;
        }
        ksort($voices, SORT_NATURAL);

        return array_values($voices);
    }

    /**
     * @param  list<list<Note>>  $voices
     * @return int how many lines they are
     */
    private function divide(array $voices): int
    {
        if (count($voices) > 1) {
            foreach ($voices as $line => $notes) {
                foreach ($notes as $note) {
                    $this->lineOf[$note->id] = $line;
                }
            }

            return count($voices);
        }
        $most = 1;
        $stems = [];
        foreach ($voices[0] ?? [] as $note) {
            $stems[$note->onset][] = $note;
        }
        foreach ($stems as $heads) {
            usort($heads, static fn (Note $a, Note $b): int => ($b->pitch?->midi() ?? 0) <=> ($a->pitch?->midi() ?? 0));
            if (count($heads) > 1) {
                $this->stems[] = array_map(static fn (Note $head): string => $head->id, $heads);
            }
            foreach (count($heads) > 1 ? $heads : [] as $line => $head) {
                $this->lineOf[$head->id] = $line;
                $this->lowest[$head->id] = count($heads) - 1;
            }
            $most = max($most, count($heads));
        }

        return $most;
    }

    public function isDivided(): bool
    {
        return $this->measures !== [];
    }

    public function hasSharedStems(): bool
    {
        return $this->stems !== [];
    }

    /** @return list<non-empty-list<string>> divided notes on one stem, from the top */
    public function stems(): array
    {
        return $this->stems;
    }

    /** @return list<DividedPassage> */
    public function passages(): array
    {
        $passages = [];
        foreach ($this->measures as $index => [$how, , $decided]) {
            $last = $passages[count($passages) - 1] ?? null;
            if ($last !== null && $last->to === $index - 1 && $last->division === $how && $last->decided === $decided) {
                array_pop($passages);
                $passages[] = new DividedPassage($how, $last->from, $index, max($last->lines, $this->lines[$index]), $decided);
            } else {
                $passages[] = new DividedPassage($how, $index, $index, $this->lines[$index], $decided);
            }
        }

        return $passages;
    }

    /**
     * The chairs that have the same notes everywhere, each with a name for all of them.
     *
     * @return array<string, Share> by the key of the first of them; empty where all play all
     */
    public function chairs(Seating $seating): array
    {
        $same = [];
        foreach ($this->isDivided() ? $seating->all() : [] as $player) {
            $lines = [];
            foreach ($this->measures as $index => [$how, $nth]) {
                $lines[] = $how->line($player, $seating, $this->lines[$index], $nth);
            }
            $same[implode(' ', $lines)][] = $player;
        }
        $editions = [];
        foreach (count($same) < 2 ? [] : $same as $players) {
            $editions[$players[0]->key()] = new Share($players[0], Share::named($players, $seating));
        }

        return $editions;
    }

    /** @return array<string, true> the notes that a player leaves to others */
    public function notMine(Player $player, Seating $seating): array
    {
        $others = [];
        foreach ($this->measures as $index => [$how, $nth]) {
            $own = $how->line($player, $seating, $this->lines[$index], $nth);
            foreach ($this->part->measures[$index]->notes() as $note) {
                $line = $this->lineOf[$note->id] ?? $own;
                $this->isHadBy($note->id, $line, $own) || $others[$note->id] = true;
            }
        }

        return $others;
    }

    /** Whether a note of some line is had by another: a chord has fewer notes than there are lines, and the lower lines share its lowest. */
    private function isHadBy(string $note, int $line, int $own): bool
    {
        return $line === $own || ($own > $line && $line === ($this->lowest[$note] ?? -1));
    }

    /** The part as one line of it is, from the top; a lower line than there is is the lowest. */
    public function line(int $line): Part
    {
        $others = [];
        foreach (array_keys($this->measures) as $index) {
            foreach ($this->part->measures[$index]->notes() as $note) {
                $this->isHadBy($note->id, $this->lineOf[$note->id] ?? $line, $line) || $others[$note->id] = true;
            }
        }

        return OwnNotes::of($this->part, $others);
    }

    /** How many lines there are at most. */
    public function most(): int
    {
        return max([1, ...$this->lines]);
    }

    /** The part as a player has it: only the own notes. */
    public function for(Player $player, Seating $seating): Part
    {
        return OwnNotes::of($this->part, $this->notMine($player, $seating));
    }
}
