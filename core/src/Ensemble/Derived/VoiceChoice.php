<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble\Derived;

use UprightPencil\Core\Score\Attributes;
use UprightPencil\Core\Score\Clef;
use UprightPencil\Core\Score\Direction;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\NoteValue;
use UprightPencil\Core\Score\Part;

/** One player's line out of a part for more: a staff, a voice, the upper or lower of divided notes; or two voices on one stem. */
final class VoiceChoice
{
    /** @var array<string, array{int, string}> line => staff and voice, those of the staff that is chosen */
    private array $lines;

    /** @param int $resolution ticks in a quarter */
    private function __construct(
        private readonly Part $part,
        private readonly Derivation $how,
        private readonly int $resolution,
    ) {
        $all = self::linesOf($part);
        $named = $this->named($all);
        $staff = $how->staff ?? ($named === null ? array_values($all)[0][0] ?? 1 : $all[$named][0]);
        $this->lines = $named !== null ? [$named => $all[$named]] : array_filter($all, static fn (array $line): bool => $line[0] === $staff);
        if ($this->lines === []) {
            throw new NoSuchVoice("“{$part->name}” has no notes on staff {$staff}.");
        }
    }

    /**
     * @return list<Measure>
     *
     * @throws NoSuchVoice
     */
    public static function of(Part $part, Derivation $how, int $resolution): array
    {
        $choice = new self($part, $how, $resolution);

        return array_map($choice->measure(...), $part->measures);
    }

    /** @return array<string, array{int, string}> the lines of a part that sound, the upper staff first */
    public static function linesOf(Part $part): array
    {
        $lines = [];
        foreach ($part->notes() as $note) {
            $note->cue || $note->rest || $lines[$note->line()] ??= [$note->staff ?? 1, $note->voice ?? '1'];
        }
        ksort($lines, SORT_NATURAL);

        return $lines;
    }

    /** @param array<string, array{int, string}> $all */
    private function named(array $all): ?string
    {
        $voice = $this->how->voice;
        if ($voice === null || in_array($voice, [Derivation::TOP, Derivation::BOTTOM, Derivation::JOINED], true)) {
            return null;
        }
        $fitting = array_filter($all, fn (array $line): bool => $this->how->staff === null || $line[0] === $this->how->staff);
        $byName = array_keys(array_filter($fitting, static fn (array $line): bool => $line[1] === $voice));

        return (string) ($byName[0] ?? array_keys($fitting)[(int) $voice - 1] ?? throw new NoSuchVoice("“{$this->part->name}” has no voice {$voice}; it has ".count($fitting).'.'));
    }

    private function measure(Measure $measure): Measure
    {
        $staff = array_values($this->lines)[0][0];
        $stems = $this->stems($measure);
        $items = array_values(array_filter($measure->items, static fn (object $item): bool => match (true) {
            $item instanceof Note => false,
            $item instanceof Direction => ($item->staff ?? 1) === $staff || $item->sound !== [],
            default => true,
        }));
        $items = array_map(fn (object $item): object => match (true) {
            $item instanceof Direction => $item->with(staff: null, voice: null),
            $item instanceof Attributes => $item->with(staves: null, clefs: array_values(array_map(static fn (Clef $clef): Clef => new Clef($clef->sign, $clef->line, $clef->octave), array_filter($item->clefs, static fn (Clef $clef): bool => $clef->staff === $staff))), kept: array_intersect_key($item->kept, ['last' => 1, 'times' => 1])),
            default => $item,
        }, $items);
        $own = [];
        foreach ($stems === [] ? [$this->silence($measure, '1', 0, $measure->length)] : $stems as $line) {
            array_push($own, ...$line);
        }

        return $measure->with(items: self::inTime($items, $own));
    }

    /** @return list<list<Note>> the notes of each line of the new part, with its silences; empty when all are silent */
    private function stems(Measure $measure): array
    {
        $lines = [];
        foreach (array_keys($this->lines) as $line) {
            $notes = array_values(array_filter($measure->notes(), static fn (Note $note): bool => ! $note->cue && $note->line() === $line));
            array_filter($notes, static fn (Note $note): bool => ! $note->rest) === [] || $lines[] = $notes;
        }
        if ($lines === []) {
            $rests = array_values(array_filter($measure->notes(), fn (Note $note): bool => ! $note->cue && isset($this->lines[$note->line()]) && $note->line() === array_key_first($this->lines)));

            return $rests === [] ? [] : [$this->withSilences($measure, $rests, '1')];
        }
        $lines = match ($this->how->voice) {
            Derivation::TOP => [array_values(array_filter($lines[0], static fn (Note $note): bool => self::isOuter($note, $lines[0], true)))],
            Derivation::BOTTOM => [array_values(array_filter($lines[count($lines) - 1], static fn (Note $note): bool => self::isOuter($note, $lines[count($lines) - 1], false)))],
            Derivation::JOINED => self::joined($lines),
            default => $lines,
        };

        return array_map(fn (array $notes, int $index): array => $this->withSilences($measure, $notes, (string) ($index + 1)), $lines, array_keys($lines));
    }

    /** @param list<Note> $notes */
    private static function isOuter(Note $note, array $notes, bool $top): bool
    {
        if ($note->rest || $note->pitch === null) {
            return true;
        }
        foreach ($notes as $other) {
            if ($other !== $note && $other->onset === $note->onset && $other->grace === $note->grace && ! $note->grace && $other->pitch !== null && ($top ? $other->pitch->midi() > $note->pitch->midi() : $other->pitch->midi() < $note->pitch->midi())) {
                return false;
            }
        }

        return true;
    }

    /**
     * Voices that move together become double notes; where one of them moves by itself they stay two.
     *
     * @param  non-empty-list<list<Note>>  $lines
     * @return list<list<Note>>
     */
    private static function joined(array $lines): array
    {
        foreach ($lines as $line) {
            if (self::rhythm($line) !== self::rhythm($lines[0])) {
                return $lines;
            }
        }
        $joined = [];
        foreach ($lines[0] as $note) {
            $joined[] = $note;
            foreach ($note->rest || $note->grace || $note->chord ? [] : array_merge(...array_slice($lines, 1)) as $other) {
                $other->onset === $note->onset && ! $other->grace && $joined[] = $other->with(chord: true, tuplets: [], slurs: []);
            }
        }

        return [$joined];
    }

    /**
     * @param  list<Note>  $notes
     * @return list<string>
     */
    private static function rhythm(array $notes): array
    {
        $stems = array_filter($notes, static fn (Note $note): bool => ! $note->grace && ! $note->chord);

        return array_values(array_map(static fn (Note $note): string => "{$note->onset} {$note->duration}".($note->rest ? ' rest' : ''), $stems));
    }

    /**
     * What the voice leaves out is a rest for whoever plays it alone.
     *
     * @param  list<Note>  $notes
     * @return list<Note>
     */
    private function withSilences(Measure $measure, array $notes, string $voice): array
    {
        $filled = [];
        $at = 0;
        $stemOpen = false;
        foreach ($notes as $note) {
            if (! $note->chord && $note->onset > $at) {
                array_push($filled, ...$this->silence($measure, $voice, $at, $note->onset));
            }
            // Where the lower head is left out, the one that stays leads.
            $leads = ! $stemOpen || ! $note->chord || $filled === [] || $filled[count($filled) - 1]->onset !== $note->onset || $filled[count($filled) - 1]->rest;
            $filled[] = $note->with(voice: $voice, staff: null, chord: ! $leads, kept: array_diff_key($note->kept, ['instrument' => 1, 'stem' => 1]));
            $stemOpen = true;
            $at = max($at, $note->end());
        }

        return $at < $measure->length ? [...$filled, ...$this->silence($measure, $voice, $at, $measure->length)] : $filled;
    }

    /** @return list<Note> rests from one place to another, the longest first that begin where they may */
    private function silence(Measure $measure, string $voice, int $from, int $to): array
    {
        $name = fn (int $at): string => "{$this->part->id}-{$measure->number}-r{$voice}.".intdiv(100 * $at, $this->resolution);
        if ($from === 0 && $to === $measure->length && $to === $measure->meter?->ticks($this->resolution)) {
            return [new Note($name(0), 0, $to, rest: true, voice: $voice, kept: ['rest' => '<rest measure="yes"/>'])];
        }
        $rests = [];
        while ($from < $to) {
            $ticks = 8 * $this->resolution;
            while ($ticks > 1 && ($ticks > $to - $from || $from % $ticks !== 0)) {
                $ticks = intdiv($ticks, 2);
            }
            $value = NoteValue::lasting($ticks, $this->resolution);
            $ticks = $value === null ? $to - $from : $ticks;
            $rests[] = new Note($name($from), $from, $ticks, rest: true, voice: $voice, value: $value);
            $from += $ticks;
        }

        return $rests;
    }

    /**
     * @param  list<object>  $items
     * @param  list<Note>  $notes
     * @return list<object>
     */
    private static function inTime(array $items, array $notes): array
    {
        $all = [];
        $place = 0;
        foreach ($notes as $note) {
            while (isset($items[$place]) && ! $note->chord && ($items[$place]->onset ?? 0) <= $note->onset) {
                $all[] = $items[$place++];
            }
            $all[] = $note;
        }

        return [...$all, ...array_slice($items, $place)];
    }
}
