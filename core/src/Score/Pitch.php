<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/** A spelled pitch: letter, alteration and octave (C4 is middle C). */
final readonly class Pitch
{
    /** Semitones of each letter above C. */
    private const SEMITONES = ['C' => 0, 'D' => 2, 'E' => 4, 'F' => 5, 'G' => 7, 'A' => 9, 'B' => 11];

    private const LETTERS = 'CDEFGAB';

    /** The half steps above C by name. */
    private const SHARPS = ['C', 'C#', 'D', 'D#', 'E', 'F', 'F#', 'G', 'G#', 'A', 'A#', 'B'];

    private const FLATS = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'Gb', 'G', 'Ab', 'A', 'Bb', 'B'];

    /**
     * @param  string  $letter  C to B
     * @param  float  $alter  semitones above the plain letter; halves are quarter tones
     */
    private function __construct(
        public string $letter,
        public float $alter,
        public int $octave,
    ) {}

    /** @throws UnknownPitch when the letter is not C to B or the octave not 0 to 9 */
    public static function of(string $letter, float $alter, int $octave): self
    {
        if (! isset(self::SEMITONES[$letter]) || $octave < -1 || $octave > 10 || abs($alter) > 4) {
            throw new UnknownPitch("There is no pitch {$letter}{$octave}.");
        }

        return new self($letter, $alter, $octave);
    }

    /**
     * The plain letter so many letters above C0.
     *
     * @throws UnknownPitch
     */
    public static function natural(int $diatonic): self
    {
        return self::of(self::LETTERS[$diatonic % 7], 0, intdiv($diatonic, 7));
    }

    /**
     * Reads names such as `C#5`, `Bb3`, `F##4`.
     *
     * @throws UnknownPitch
     */
    public static function named(string $name): self
    {
        if (preg_match('/^([A-G])(#{0,2}|b{0,2})(-?\d+)$/', $name, $found) !== 1) {
            throw new UnknownPitch("“{$name}” is not a pitch; write a letter, # or b, and the octave, as in C#5.");
        }

        return self::of($found[1], substr_count($found[2], '#') - substr_count($found[2], 'b'), (int) $found[3]);
    }

    /**
     * A height alone, with sharps or with flats where it has no letter of its own.
     *
     * @param  int  $midi  semitones above C-1, from 0
     *
     * @throws UnknownPitch
     */
    public static function chromatic(int $midi, bool $sharps): self
    {
        $names = $sharps ? self::SHARPS : self::FLATS;

        return self::named($names[$midi % 12].(intdiv($midi, 12) - 1));
    }

    /** Semitones above C-1 (middle C is 60); a quarter tone counts as the half step below it. */
    public function midi(): int
    {
        return 12 * ($this->octave + 1) + self::SEMITONES[$this->letter] + (int) floor($this->alter);
    }

    /** Letters above C0, whatever the alteration: tells seconds from thirds. */
    public function diatonic(): int
    {
        return 7 * $this->octave + (int) strpos(self::LETTERS, $this->letter);
    }

    public function octavesUp(int $octaves): self
    {
        return new self($this->letter, $this->alter, $this->octave + $octaves);
    }

    public function name(): string
    {
        $whole = (int) floor($this->alter);
        $sign = str_repeat($whole < 0 ? 'b' : '#', abs($whole));
        $quarter = $this->alter === floor($this->alter) ? '' : '+';

        return $this->letter.$sign.$quarter.$this->octave;
    }

    /** For people: C♯5, B♭3. */
    public function spoken(): string
    {
        return strtr($this->name(), ['##' => '𝄪', 'bb' => '𝄫', '#' => '♯', 'b' => '♭']);
    }

    /** Without its octave: C♯, B♭. */
    public function spokenLetter(): string
    {
        return (string) preg_replace('/-?\d+$/', '', $this->spoken());
    }
}
