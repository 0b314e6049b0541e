<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Trouble;

use UprightPencil\Core\Score\Key;
use UprightPencil\Core\Score\Pitch;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Placement;
use UprightPencil\Core\Strings\StringName;

/**
 * The finger pattern of each string, phrase by phrase, and where it changes (`fingering.md`, “Four-finger patterns”).
 * Fingers that a phrase does not use lie where the key puts them.
 */
final class FingerPatterns
{
    /** @var list<FingerPattern> */
    private array $patterns = [];

    private function __construct(private readonly PlayedLine $line) {}

    /** @return list<FingerPattern> in the order in which they begin; the same pattern again on its string is not repeated */
    public static function of(PlayedLine $line): array
    {
        $found = new self($line);
        foreach ($line->phrases() as $phrase) {
            $found->phrase($phrase);
        }
        usort($found->patterns, static fn (FingerPattern $a, FingerPattern $b): int => $a->first->place <=> $b->first->place);

        return $found->merged();
    }

    /** @param non-empty-list<PlayedNote> $phrase */
    private function phrase(array $phrase): void
    {
        /** @var array<string, non-empty-list<PlayedNote>> $open stretches on a string in one hand that still go on */
        $open = [];
        foreach ($phrase as $note) {
            if ($note->stop()->finger === 0 || $note->stop()->placement === Placement::Harmonic) {
                continue;
            }
            $at = "{$note->stop()->string}/{$note->grip->hand}";
            $before = $open[$at] ?? [];
            if ($before !== [] && $this->contradicts($before, $note)) {
                $this->close($before);
                $before = [];
            }
            $open[$at] = [...$before, $note];
        }
        array_map($this->close(...), $open);
    }

    /** @param non-empty-list<PlayedNote> $before */
    private function contradicts(array $before, PlayedNote $note): bool
    {
        foreach ($before as $other) {
            if ($other->stop()->finger === $note->stop()->finger && $other->stop()->place() !== $note->stop()->place()) {
                return true;
            }
        }

        return false;
    }

    /** @param non-empty-list<PlayedNote> $notes */
    private function close(array $notes): void
    {
        $first = $notes[0];
        $this->patterns[] = new FingerPattern($first->stop()->string, $this->name($notes), $first->grip->hand, $first, $notes[count($notes) - 1]);
    }

    /** @param non-empty-list<PlayedNote> $notes */
    private function name(array $notes): string
    {
        $used = [];
        foreach ($notes as $note) {
            $used[$note->stop()->finger] = $note->stop()->place();
        }
        ksort($used);

        return match ($this->line->instrument) {
            Instrument::Violin, Instrument::Viola => $this->halfSteps($used + $this->byKey($notes[0], array_keys($used))),
            Instrument::Cello => $this->celloName($notes, array_keys($used)),
            // A bass hand has one frame; what changes is where it is.
            Instrument::Bass => $this->line->profile->fourFingerBass ? '1-2-3-4' : '1-2-4',
        };
    }

    /** @param array<int, int> $places finger => semitones above the open string */
    private function halfSteps(array $places): string
    {
        $close = [];
        for ($finger = 1; $finger < 4; $finger++) {
            $apart = ($places[$finger + 1] ?? 0) - ($places[$finger] ?? 0);
            $apart === 1 && $close[] = "{$finger}-".($finger + 1);
            $apart > 2 && $close[] = "wide {$finger}-".($finger + 1);
        }

        return $close === [] ? 'whole' : implode(' and ', $close);
    }

    /**
     * @param  non-empty-list<PlayedNote>  $notes
     * @param  list<int>  $fingers
     */
    private function celloName(array $notes, array $fingers): string
    {
        foreach ($notes as $note) {
            if ($note->stop()->placement === Placement::Extended) {
                return 'x';
            }
        }

        return match (true) {
            in_array(2, $fingers, true) && in_array(3, $fingers, true) => '1-2-3-4',
            in_array(2, $fingers, true) => '1-2-4',
            in_array(3, $fingers, true) => '1-3-4',
            default => $this->closedByKey($notes[0]),
        };
    }

    /** Only the outer fingers play: the key says which of the inner ones lies between. */
    private function closedByKey(PlayedNote $note): string
    {
        $open = $this->open($note);
        for ($up = 1; $up <= 7; $up++) {
            if (self::placeOf($note->key, $open, $open->diatonic() + $up) === $note->grip->hand + 1) {
                return '1-2-4';
            }
        }

        return '1-3-4';
    }

    /**
     * Where the key puts the fingers that are not used: each finger has its letter.
     *
     * @param  list<int>  $used
     * @return array<int, int>
     */
    private function byKey(PlayedNote $note, array $used): array
    {
        $places = [];
        foreach (array_diff([1, 2, 3, 4], $used) as $other) {
            $places[$other] = self::placeOf($note->key, $this->open($note), $note->pitch()->diatonic() + $other - $note->stop()->finger);
        }

        return $places;
    }

    private function open(PlayedNote $note): StringName
    {
        return $this->line->instrument->string($note->stop()->string);
    }

    /** Semitones above the open string of a letter (counted from C0) in a key. */
    private static function placeOf(Key $key, StringName $open, int $diatonic): int
    {
        $plain = Pitch::natural($diatonic);

        return $plain->midi() + $key->alterOf($plain->letter) - $open->midi;
    }

    /** @return list<FingerPattern> */
    private function merged(): array
    {
        $merged = $last = [];
        foreach ($this->patterns as $pattern) {
            $before = $last[$pattern->string] ?? null;
            if ($before !== null && $merged[$before]->name === $pattern->name && $merged[$before]->hand === $pattern->hand) {
                $old = $merged[$before];
                $merged[$before] = new FingerPattern($old->string, $old->name, $old->hand, $old->first, $pattern->last);
            } else {
                $last[$pattern->string] = count($merged);
                $merged[] = $pattern;
            }
        }

        return array_values($merged);
    }
}
