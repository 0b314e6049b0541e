<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/** A key signature. */
final readonly class Key
{
    use Copying;

    private const MAJOR = ['Cb', 'Gb', 'Db', 'Ab', 'Eb', 'Bb', 'F', 'C', 'G', 'D', 'A', 'E', 'B', 'F#', 'C#'];

    private const MINOR = ['Ab', 'Eb', 'Bb', 'F', 'C', 'G', 'D', 'A', 'E', 'B', 'F#', 'C#', 'G#', 'D#', 'A#'];

    /** Letters in the order in which sharps come; each is a fifth above the one before. */
    public const SHARPS = 'FCGDAEB';

    /**
     * @param  int  $fifths  sharps, or flats as a negative number
     * @param  string|null  $mode  major, minor or another mode's name
     * @param  array<string, string>  $kept  attributes and signs the core does not read
     * @param  array<string, int>  $alters  letter => semitones, of a signature that is none of the usual ones; empty: as the fifths say
     */
    public function __construct(
        public int $fifths,
        public ?string $mode = null,
        public array $kept = [],
        public array $alters = [],
    ) {}

    /**
     * This key with further signs, or without some of its own.
     *
     * @param  array<string, int>  $signs  letter => semitones
     */
    public function altered(array $signs): self
    {
        $alters = [];
        foreach (str_split(self::SHARPS) as $letter) {
            $alters[$letter] = $signs[$letter] ?? $this->alterOf($letter);
        }
        $fifths = max(-7, min(7, array_sum($alters)));
        $usual = new self($fifths);
        foreach ($alters as $letter => $semitones) {
            if ($usual->alterOf($letter) !== $semitones) {
                return new self($fifths, null, $this->kept, array_filter($alters));
            }
        }

        return $usual;
    }

    /** “D major”; a key outside seven sharps or flats, or an unusual mode, is named by its signature. */
    public function name(): string
    {
        if ($this->alters !== []) {
            return 'signature of '.implode(', ', array_map(static fn (string $letter, int $semitones): string => $letter.str_repeat($semitones < 0 ? 'b' : '#', abs($semitones)), array_keys($this->alters), $this->alters));
        }
        $names = $this->mode === 'minor' ? self::MINOR : self::MAJOR;
        $named = in_array($this->mode, [null, 'none', 'major', 'minor'], true) && abs($this->fifths) <= 7;
        if ($named) {
            return $names[$this->fifths + 7].($this->mode === 'minor' ? ' minor' : ' major');
        }

        return abs($this->fifths).($this->fifths < 0 ? ' flats' : ' sharps').($this->mode === null ? '' : " ({$this->mode})");
    }

    /** The letter of the seventh in the minor key of this signature: G in A minor. */
    public function minorSeventh(): string
    {
        return 'GDAEBFC'[((($this->fifths % 7) + 7) % 7)];
    }

    /** Semitones by which the signature alters a letter. */
    public function alterOf(string $letter): int
    {
        if ($this->alters !== []) {
            return $this->alters[$letter] ?? 0;
        }
        $place = (int) strpos(self::SHARPS, $letter);
        $sharps = intdiv($this->fifths + 6 - $place, 7);
        $flats = intdiv(-$this->fifths + $place, 7);

        return $this->fifths > 0 ? $sharps : -$flats;
    }
}
