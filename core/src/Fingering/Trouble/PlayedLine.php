<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Trouble;

use UprightPencil\Core\Fingering\Search\FingeredLine;
use UprightPencil\Core\Score\Beats;
use UprightPencil\Core\Score\Key;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;

/** A fingered line as a teacher looks over it: note by note, phrase by phrase. */
final class PlayedLine
{
    /** @var list<FirstUse>|null */
    private ?array $firsts = null;

    /** @var list<FingerPattern>|null */
    private ?array $patterns = null;

    /** @param list<PlayedNote> $notes */
    private function __construct(
        public readonly array $notes,
        public readonly Instrument $instrument,
        public readonly ClassProfile $profile,
    ) {}

    public static function of(FingeredLine $line, Part $part, Instrument $instrument, ClassProfile $profile, Beats $beats): self
    {
        $notes = [];
        foreach ($line->events as $place => $event) {
            $notes[] = new PlayedNote($place, $event, $line->grips[$place], $line->steps[$place], $part->measures[$event->measure]->key ?? new Key(0), $line->phrases[$place], $beats->strength($event) > 0.0, $beats->ticksBetween($event->start + 1, $event->end() - 1) !== []);
        }

        return new self($notes, $instrument, $profile);
    }

    /** @return list<FirstUse> in the order of the page */
    public function firstUses(): array
    {
        return $this->firsts ??= FirstUses::of($this);
    }

    /** @return list<FingerPattern> in the order of the page */
    public function patterns(): array
    {
        return $this->patterns ??= FingerPatterns::of($this);
    }

    /** @return array<int, non-empty-list<PlayedNote>> */
    public function phrases(): array
    {
        $phrases = [];
        foreach ($this->notes as $note) {
            $phrases[$note->phrase][] = $note;
        }

        return $phrases;
    }

    /**
     * The places where the hand moves; open strings have no hand of their own.
     *
     * @return list<array{int, PlayedNote, PlayedNote}> the hand that is left, the note before, the first note of the new hand
     */
    public function shifts(): array
    {
        $shifts = [];
        $hand = null;
        foreach ($this->notes as $place => $note) {
            if ($note->stop()->finger === 0) {
                continue;
            }
            if ($place > 0 && $hand !== null && $hand !== $note->grip->hand) {
                $shifts[] = [$hand, $this->notes[$place - 1], $note];
            }
            $hand = $note->grip->hand;
        }

        return $shifts;
    }

    /** @return list<array{PlayedNote, PlayedNote}> each note with the one before it */
    public function pairs(): array
    {
        $pairs = [];
        for ($place = 1, $count = count($this->notes); $place < $count; $place++) {
            $pairs[] = [$this->notes[$place - 1], $this->notes[$place]];
        }

        return $pairs;
    }
}
