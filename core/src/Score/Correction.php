<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/**
 * A corrected edition of a part: which of its notes are those of the edition before. A note is known again by its name where the
 * file gives it one, else by measure, beat and pitch; measures that were put in or taken out move the others, as a reader sees it.
 * A note that is known again has its former id, so that whatever was decided about it stays; others have ids that nobody had.
 */
final readonly class Correction
{
    /** Pairs of measures, at most, that are compared with each other (0.1 s, 20 MB); beyond that they are compared by their places alone. */
    private const MOST_COMPARED = 1_000_000;

    /** So many of the notes with a known name have the pitch that it meant; ours: one in ten is a very thorough correction. */
    private const NAMES_HOLD = 0.9;

    /**
     * @param  Part  $part  as it is now, with the names of notes that are known again
     * @param  list<array{string, Meter|null, int, Note}>  $gone  notes of the edition before that are in it no more, each with its measure's number and meter and the resolution that it counts in
     * @param  int  $kept  how many are; rests are not counted
     * @param  list<string>  $fresh  for each note that nobody knew, its measure's number
     * @param  list<string>  $altered  measures in which a note that stays has another pitch, length or place
     */
    private function __construct(
        public Part $part,
        public array $gone,
        public int $kept,
        public array $fresh,
        private array $altered,
    ) {}

    /** @return list<string> numbers of the measures in which notes go or come, or become others */
    public function measures(): array
    {
        return array_values(array_unique([...array_column($this->gone, 0), ...$this->fresh, ...$this->altered]));
    }

    /**
     * @param  Score  $before  one part
     * @param  Score  $now  one part
     * @param  bool  $byName  the notes of both have names that are the file's own
     * @param  array<string, true>  $taken  ids that notes of this part had at any time
     */
    public static function of(Score $before, Score $now, bool $byName, array $taken = []): self
    {
        $resolution = Resolution::common($before->resolution, $now->resolution);
        $former = Resolution::of($before, $resolution)->parts[0];
        $new = Resolution::of($now, $resolution)->parts[0];
        $known = $byName ? self::byName($former, $new) : [];
        foreach (self::pairs($former->measures, $new->measures) as [$one, $other]) {
            $known += self::inMeasure($former->measures[$one], $new->measures[$other], $known);
        }
        $all = $taken + array_fill_keys(array_map(static fn (Note $note): string => $note->id, $former->notes()), true);

        return self::compared($former, $new, $known, $resolution, self::renamed($now->parts[0], $known, $all));
    }

    /**
     * Back to an edition that was there before: its notes have the names that they had.
     *
     * @param  Score  $before  one part
     * @param  Score  $now  one part
     */
    public static function backTo(Score $before, Score $now): self
    {
        $resolution = Resolution::common($before->resolution, $now->resolution);
        $former = Resolution::of($before, $resolution)->parts[0];
        $new = Resolution::of($now, $resolution)->parts[0];

        return self::compared($former, $new, self::byName($former, $new), $resolution, $now->parts[0]);
    }

    /** @param array<string, string> $known id now => id before */
    private static function compared(Part $former, Part $new, array $known, int $resolution, Part $named): self
    {
        $gone = $were = $altered = [];
        $still = array_flip($known);
        foreach ($former->measures as $measure) {
            foreach ($measure->notes() as $note) {
                $were[$note->id] = $note;
                isset($still[$note->id]) || $note->rest || $gone[] = [$measure->number, $measure->meter, $resolution, $note];
            }
        }
        $fresh = [];
        $kept = 0;
        foreach ($new->measures as $measure) {
            foreach ($measure->notes() as $note) {
                $kept += $note->rest || ! isset($known[$note->id]) ? 0 : 1;
                $note->rest || isset($known[$note->id]) || $fresh[] = $measure->number;
                $was = $were[$known[$note->id] ?? ''] ?? null;
                $was === null || ($was->pitch == $note->pitch && $was->duration === $note->duration && $was->onset === $note->onset) || $altered[] = $measure->number;
            }
        }

        return new self($named->with(id: $former->id, name: $former->name), $gone, $kept, $fresh, $altered);
    }

    /**
     * Whether names that notes have in a file are those of the edition before: names that only count the notes mean others as soon
     * as one is put in, and then most of them have another pitch.
     */
    public static function namesHold(Score $before, Score $now): bool
    {
        $pitches = [];
        foreach ($before->parts[0]->notes() as $note) {
            $pitches[$note->id] = $note->pitch?->name();
        }
        $shared = $same = 0;
        foreach ($now->parts[0]->notes() as $note) {
            if (array_key_exists($note->id, $pitches)) {
                $shared++;
                $same += $pitches[$note->id] === $note->pitch?->name() ? 1 : 0;
            }
        }

        return $shared > 0 && $same >= self::NAMES_HOLD * $shared;
    }

    /** @return array<string, string> id now => id before */
    private static function byName(Part $former, Part $new): array
    {
        $ids = array_fill_keys(array_map(static fn (Note $note): string => $note->id, $former->notes()), true);
        $known = [];
        foreach ($new->notes() as $note) {
            isset($ids[$note->id]) && $known[$note->id] = $note->id;
        }

        return $known;
    }

    /**
     * @param  array<string, string>  $known
     * @return array<string, string> id now => id before
     */
    private static function inMeasure(Measure $former, Measure $new, array $known): array
    {
        $taken = array_flip($known);
        $places = [];
        foreach ($former->notes() as $note) {
            isset($taken[$note->id]) || $places[self::place($note)][] = $note->id;
        }
        $found = [];
        foreach ($new->notes() as $note) {
            $id = isset($known[$note->id]) || ($places[self::place($note)] ?? []) === [] ? null : array_shift($places[self::place($note)]);
            $id === null || $found[$note->id] = $id;
        }

        return $found;
    }

    private static function place(Note $note): string
    {
        return "{$note->onset} ".($note->rest ? 'rest' : $note->pitch?->name() ?? '?').($note->grace ? ' grace' : '').($note->cue ? ' cue' : '');
    }

    /**
     * @param  list<Measure>  $former
     * @param  list<Measure>  $new
     * @return list<array{int, int}> measures that are the same one, as their indexes before and now
     */
    private static function pairs(array $former, array $new): array
    {
        $one = array_map(self::sound(...), $former);
        $other = array_map(self::sound(...), $new);
        $pairs = [];
        [$from, $at] = [0, 0];
        foreach ([...self::alike($one, $other), [count($one), count($other)]] as [$left, $right]) {
            array_push($pairs, ...self::between($former, $new, $from, $left, $at, $right));
            $left < count($one) && $pairs[] = [$left, $right];
            [$from, $at] = [$left + 1, $right + 1];
        }

        return $pairs;
    }

    private static function sound(Measure $measure): string
    {
        return implode(',', array_map(self::place(...), array_filter($measure->notes(), static fn (Note $note): bool => ! $note->cue)));
    }

    /**
     * Measures between two that are the same: as many as before are the same ones, changed; else those with the same number.
     *
     * @param  list<Measure>  $former
     * @param  list<Measure>  $new
     * @return list<array{int, int}>
     */
    private static function between(array $former, array $new, int $from, int $left, int $at, int $right): array
    {
        $pairs = [];
        for ($index = $from; $index < $left; $index++) {
            for ($other = $at; $other < $right; $other++) {
                if ($left - $from === $right - $at ? $other - $at === $index - $from : $former[$index]->number === $new[$other]->number) {
                    $pairs[] = [$index, $other];
                    $at = $left - $from === $right - $at ? $at : $other + 1;
                    break;
                }
            }
        }

        return $pairs;
    }

    /**
     * The longest run of measures that sound alike in both, in order.
     *
     * @param  list<string>  $one
     * @param  list<string>  $other
     * @return list<array{int, int}>
     */
    private static function alike(array $one, array $other): array
    {
        $head = $tail = 0;
        $most = min(count($one), count($other));
        while ($head < $most && $one[$head] === $other[$head]) {
            $head++;
        }
        while ($tail < $most - $head && $one[count($one) - 1 - $tail] === $other[count($other) - 1 - $tail]) {
            $tail++;
        }
        $middle = self::longest(array_slice($one, $head, count($one) - $head - $tail), array_slice($other, $head, count($other) - $head - $tail));
        $pairs = $head === 0 ? [] : array_map(static fn (int $index): array => [$index, $index], range(0, $head - 1));
        foreach ($middle as [$left, $right]) {
            $pairs[] = [$head + $left, $head + $right];
        }
        for (; $tail > 0; $tail--) {
            $pairs[] = [count($one) - $tail, count($other) - $tail];
        }

        return $pairs;
    }

    /**
     * @param  list<string>  $one
     * @param  list<string>  $other
     * @return list<array{int, int}> the longest common subsequence
     */
    private static function longest(array $one, array $other): array
    {
        [$rows, $columns] = [count($one), count($other)];
        if ($rows * $columns === 0 || $rows * $columns > self::MOST_COMPARED) {
            return [];
        }
        $lengths = array_fill(0, $rows + 1, array_fill(0, $columns + 1, 0));
        for ($row = $rows - 1; $row >= 0; $row--) {
            for ($column = $columns - 1; $column >= 0; $column--) {
                $lengths[$row][$column] = $one[$row] === $other[$column] ? 1 + $lengths[$row + 1][$column + 1] : max($lengths[$row + 1][$column], $lengths[$row][$column + 1]);
            }
        }
        $pairs = [];
        for ($row = $column = 0; $row < $rows && $column < $columns;) {
            if ($one[$row] === $other[$column]) {
                $pairs[] = [$row++, $column++];
            } else {
                $lengths[$row + 1][$column] >= $lengths[$row][$column + 1] ? $row++ : $column++;
            }
        }

        return $pairs;
    }

    /**
     * @param  array<string, string>  $known  id now => id before
     * @param  array<string, true>  $taken
     */
    private static function renamed(Part $part, array $known, array $taken): Part
    {
        return $part->withNotes(static function (Note $note) use ($known, &$taken): Note {
            $id = $known[$note->id] ?? $note->id;
            for ($again = 2; ! isset($known[$note->id]) && isset($taken[$id]); $again++) {
                $id = "{$note->id}.{$again}";
            }
            $taken[$id] = true;

            return $note->with(id: $id);
        });
    }
}
