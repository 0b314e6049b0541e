<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Abc;

use UprightPencil\Core\Score\Clef;
use UprightPencil\Core\Score\Transposition;

/** What K: and V: fields say of a staff: its clef, and how far its notes lie from where they are typed. */
final readonly class StaffWords
{
    public const CLEFS = [
        'treble' => ['G', 2], 'alto' => ['C', 3], 'tenor' => ['C', 4], 'bass' => ['F', 4], 'soprano' => ['C', 1],
        'mezzosoprano' => ['C', 2], 'baritone' => ['C', 5], 'varbaritone' => ['F', 3], 'subbass' => ['F', 5],
        'perc' => ['percussion', null], 'none' => ['none', null],
    ];

    /** Letters above C0 of the middle line: treble B4, alto C4, tenor A3, bass D3. */
    private const MIDDLE_OF_G2 = 34;

    private const SIGN_PITCH = ['G' => 32, 'C' => 28, 'F' => 24];

    /**
     * @param  int|null  $octaves  by which the notes lie higher than typed; null where nothing is said
     * @param  int|null  $semitones  by which they sound higher than they are written
     */
    private function __construct(
        public ?Clef $clef,
        public ?int $octaves,
        public ?int $semitones,
    ) {}

    public static function of(string $text): self
    {
        $text = (string) preg_replace('/\b(?:name|nm|subname|snm|sname)\s*=\s*(?:"[^"]*"|\S+)/', '', $text);
        $clef = self::clefIn($text);
        $octave = preg_match('/\boctave\s*=\s*([+-]?\d)/', $text, $found) === 1 ? (int) $found[1] : null;
        $middle = preg_match('/\b(?:middle|m)\s*=\s*([A-Ga-g][,\']*)/', $text, $found) === 1 ? self::fromMiddle($found[1], $clef) : null;
        $octaves = $clef === null && $octave === null && $middle === null ? null : ($clef->octave ?? 0) + ($octave ?? 0) + ($middle ?? 0);

        return new self($clef, $octaves, preg_match('/\b(?:transpose|t)\s*=\s*([+-]?\d{1,2})/', $text, $found) === 1 ? (int) $found[1] : null);
    }

    public function sayAnything(): bool
    {
        return $this->clef !== null || $this->octaves !== null || $this->semitones !== null;
    }

    public function transposition(): ?Transposition
    {
        return $this->semitones === null || $this->semitones === 0 ? null : new Transposition($this->semitones % 12, intdiv($this->semitones, 12));
    }

    private static function clefIn(string $text): ?Clef
    {
        $names = implode('|', array_keys(self::CLEFS));
        if (preg_match('/(?:\bclef\s*=\s*"?|(?<![\w=]))('.$names.'|[GCF][1-5])(\d?)([+^_-]8|[+^_-]15)?(?![\w])/', $text, $found) !== 1) {
            return null;
        }
        // “none” alone is a key without signs.
        if ($found[1] === 'none' && ! str_contains($text, 'clef')) {
            return null;
        }
        [$sign, $line] = self::CLEFS[$found[1]] ?? [$found[1][0], (int) $found[1][1]];
        $octave = ($found[3] ?? '') === '' ? 0 : (str_ends_with($found[3], '15') ? 2 : 1) * (str_contains('+^', $found[3][0]) ? 1 : -1);

        return new Clef($sign, $found[2] === '' ? $line : (int) $found[2], $octave);
    }

    /** `middle=d` under a bass clef: typed where the treble clef has it, so everything lies two octaves lower. */
    private static function fromMiddle(string $typed, ?Clef $clef): int
    {
        $letters = (int) strpos('CDEFGAB', strtoupper($typed[0]));
        $at = $letters + 7 * ((ctype_lower($typed[0]) ? 5 : 4) + substr_count($typed, "'") - substr_count($typed, ','));
        $middle = $clef === null || $clef->line === null ? self::MIDDLE_OF_G2 : self::SIGN_PITCH[$clef->sign] + 2 * (3 - $clef->line);

        return ($middle - $at) % 7 === 0 ? intdiv($middle - $at, 7) : 0;
    }
}
