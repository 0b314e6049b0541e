<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Abc;

use UprightPencil\Core\Score\Meter;
use UprightPencil\Core\Score\NoteValue;
use UprightPencil\Core\Score\Span;
use UprightPencil\Core\Score\TimeModification;

/** How long the notes of a voice are: its unit length, tuplets and broken rhythms. */
final class Rhythm
{
    private const MOST_UNITS = 2000;

    /** So many notes in the time of so many, and over so many: more is none that anybody writes. */
    private const MOST_IN_A_TUPLET = 64;

    /** `>>>` leaves an eighth of a note; more signs say no more. */
    private const MOST_BROKEN = 3;

    /** @var array{int, int, int}|null actual, normal and notes left of the tuplet under way */
    private ?array $tuplet = null;

    private bool $tupletStarts = false;

    /** @var array{int, int}|null a broken rhythm waiting for its second note: its length as a ratio */
    private ?array $broken = null;

    /** @param int $unit ticks of the unit note length */
    public function __construct(public int $unit) {}

    /** Ticks of a length such as 2, /, /4 or 3/2, in unit notes. */
    public function ticksOf(string $length): int
    {
        preg_match('/^(\d*)(\/*)(\d*)$/', $length, $found);
        $above = ($found[1] ?? '') === '' ? 1 : min(self::MOST_UNITS, (int) $found[1]);
        $slashes = min(8, strlen($found[2] ?? ''));
        $below = ($found[3] ?? '') !== '' ? max(1, min(self::MOST_UNITS, (int) $found[3])) : 1 << $slashes;

        return intdiv($this->unit * $above, $below);
    }

    /** @return bool false when the tuplet makes no sense */
    public function startTuplet(string $text, Meter $meter): bool
    {
        $numbers = array_map(static fn (string $number): int => min(self::MOST_IN_A_TUPLET + 1, (int) substr($number, 0, 4)), explode(':', substr($text, 1)));
        $actual = $numbers[0];
        $usual = [2 => 3, 3 => 2, 4 => 3, 6 => 2, 8 => 3][$actual] ?? ($meter->isCompound() ? 3 : 2);
        if ($actual < 2 || max($numbers) > self::MOST_IN_A_TUPLET) {
            return false;
        }
        $this->tuplet = [$actual, ($numbers[1] ?? 0) ?: $usual, ($numbers[2] ?? 0) ?: $actual];
        $this->tupletStarts = true;

        return true;
    }

    /**
     * One note takes from the other: `>` the first from the second, `<` the second from the first.
     *
     * @return array{int, int} the ratio by which the first note is longer; the second gets its own when it comes
     */
    public function breakNotes(string $text): array
    {
        $halves = 1 << min(self::MOST_BROKEN, strlen($text));
        $longer = [2 * $halves - 1, $halves];
        $shorter = [1, $halves];
        [$first, $this->broken] = $text[0] === '>' ? [$longer, $shorter] : [$shorter, $longer];

        return $first;
    }

    /** The broken rhythm that waits for its second note is forgotten. */
    public function mend(): void
    {
        $this->broken = null;
    }

    /** @return array{int, NoteValue|null, list<Span>} ticks, written value, ends of the tuplet */
    public function time(int $ticks): array
    {
        if ($this->broken !== null) {
            $ticks = intdiv($ticks * $this->broken[0], $this->broken[1]);
            $this->broken = null;
        }
        if ($this->tuplet === null) {
            return [$ticks, self::valueOf($ticks, null), []];
        }
        [$actual, $normal, $left] = $this->tuplet;
        $ends = $this->tupletStarts ? [new Span('start')] : [];
        $this->tupletStarts = false;
        if ($left === 1) {
            $ends[] = new Span('stop');
        }
        $this->tuplet = $left === 1 ? null : [$actual, $normal, $left - 1];

        return [intdiv($ticks * $normal, $actual), self::valueOf($ticks, new TimeModification($actual, $normal)), $ends];
    }

    /**
     * The value that a note looks like.
     *
     * @param  int  $ticks  as written, without the tuplet
     */
    public static function valueOf(int $ticks, ?TimeModification $tuplet): ?NoteValue
    {
        $value = NoteValue::lasting($ticks, Reader::RESOLUTION);

        return $value === null || $tuplet === null ? $value : new NoteValue($value->type, $value->dots, $tuplet);
    }
}
