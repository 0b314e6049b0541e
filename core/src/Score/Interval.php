<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/** A step from one spelled pitch to another: so many letters and so many semitones, up or (negative) down. */
final readonly class Interval
{
    /** Semitones of the perfect or major interval over so many letters. */
    private const SEMITONES = [0, 2, 4, 5, 7, 9, 11];

    private const PERFECT = [0, 3, 4];

    /** Two octaves are more than anything is moved. */
    private const MOST_LETTERS = 14;

    /** Double signs are the most that is written. */
    private const MOST_ALTER = 2.0;

    private const MOST_SHARPS = 7;

    private function __construct(
        public int $letters,
        public int $semitones,
    ) {}

    public static function unison(): self
    {
        return new self(0, 0);
    }

    public static function octaves(int $octaves): self
    {
        return new self(7 * $octaves, 12 * $octaves);
    }

    /**
     * @param  string  $name  P8, -P8, P5, M2, m3, A4, d5; a minus sign is down
     *
     * @throws UnknownInterval
     */
    public static function named(string $name): self
    {
        $wrong = new UnknownInterval("“{$name}” is not an interval; write P8, -P8, P5, M2, m3 and the like, with a minus sign for down.");
        if (preg_match('/^(-?)([PMmAd])(\d{1,2})$/', $name, $found) !== 1) {
            throw $wrong;
        }
        $letters = (int) $found[3] - 1;
        if ($letters < 0 || $letters > self::MOST_LETTERS) {
            throw $wrong;
        }
        $perfect = in_array($letters % 7, self::PERFECT, true);
        $bent = match (true) {
            $found[2] === 'P' && $perfect, $found[2] === 'M' && ! $perfect => 0,
            $found[2] === 'm' && ! $perfect, $found[2] === 'd' && $perfect => -1,
            $found[2] === 'd' => -2,
            $found[2] === 'A' => 1,
            default => throw $wrong,
        };
        $sign = $found[1] === '-' ? -1 : 1;

        return new self($sign * $letters, $sign * (12 * intdiv($letters, 7) + self::SEMITONES[$letters % 7] + $bent));
    }

    /** Of a part that is written otherwise than it sounds: from what is written to what sounds. */
    public static function sounding(Transposition $transposition): self
    {
        $semitones = $transposition->semitones();
        $usual = [0, 1, 1, 2, 2, 3, 4, 4, 5, 5, 6, 6];
        $octaves = (int) floor($transposition->chromatic / 12);
        $letters = $transposition->diatonic ?? 7 * $octaves + $usual[$transposition->chromatic - 12 * $octaves];

        return new self($letters + 7 * ($transposition->octaves - ($transposition->double ? 1 : 0)), $semitones);
    }

    public function and(self $other): self
    {
        return new self($this->letters + $other->letters, $this->semitones + $other->semitones);
    }

    public function isUnison(): bool
    {
        return $this->letters === 0 && $this->semitones === 0;
    }

    /** Sharps that a key gets by it, or flats as a negative number. */
    public function fifths(): int
    {
        return 7 * $this->semitones - 12 * $this->letters;
    }

    /**
     * The same distance, spelled so that these keys stay writable: D flat for C sharp where the one has eight sharps and the other
     * four flats.
     *
     * @param  list<Key>  $keys
     */
    public function spelledFor(array $keys): self
    {
        $best = $this;
        foreach ([$this, new self($this->letters + 1, $this->semitones), new self($this->letters - 1, $this->semitones)] as $spelling) {
            self::signs($spelling, $keys) < max(self::MOST_SHARPS + 1, self::signs($best, $keys)) && self::signs($best, $keys) > self::MOST_SHARPS && $best = $spelling;
        }

        return $best;
    }

    /** @param list<Key> $keys */
    private static function signs(self $interval, array $keys): int
    {
        return max(0, ...array_map(static fn (Key $key): int => abs($key->fifths + $interval->fifths()), $keys));
    }

    /**
     * The pitch so far from another; where that would need three signs, its neighbour that sounds the same.
     *
     * @throws UnknownPitch beyond all music
     */
    public function from(Pitch $pitch): Pitch
    {
        $letters = $pitch->diatonic() + $this->letters;
        foreach ([0, 1, -1] as $other) {
            if ($letters + $other < 0) {
                continue;
            }
            $plain = Pitch::natural($letters + $other);
            $alter = $pitch->alter + $this->semitones - ($plain->midi() - Pitch::natural($pitch->diatonic())->midi());
            if (abs($alter) <= self::MOST_ALTER) {
                return Pitch::of($plain->letter, $alter, $plain->octave);
            }
        }

        throw new UnknownPitch("There is no pitch so far from {$pitch->spoken()}.");
    }

    public function key(Key $key): Key
    {
        if ($key->alters === []) {
            return new Key(max(-self::MOST_SHARPS, min(self::MOST_SHARPS, $key->fifths + $this->fifths())), $key->mode);
        }
        $alters = [];
        foreach (['C', 'D', 'E', 'F', 'G', 'A', 'B'] as $letter) {
            $moved = $this->from(Pitch::of($letter, $key->alterOf($letter), 4));
            $alters[$moved->letter] = (int) $moved->alter;
        }

        return (new Key(0))->altered($alters);
    }
}
