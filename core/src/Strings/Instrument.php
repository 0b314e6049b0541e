<?php

declare(strict_types=1);

namespace UprightPencil\Core\Strings;

use UprightPencil\Core\Score\Clef;

/** The four bowed strings. All their data stands in InstrumentData. */
enum Instrument: string
{
    case Violin = 'violin';
    case Viola = 'viola';
    case Cello = 'cello';
    case Bass = 'bass';

    /** The index of the fifth string, below the four. */
    public const FIFTH = -1;

    /** @return array<int, StringName> by their index, the lowest first: 0 is the lowest of the four */
    public function stringsWith(LowBass $low): array
    {
        return ($this === self::Bass && $low === LowBass::FifthString ? [self::FIFTH => $this->string(self::FIFTH)] : []) + $this->strings();
    }

    public function string(int $string): StringName
    {
        $strings = [self::FIFTH => InstrumentData::FIFTH_STRING] + InstrumentData::STRINGS[$this->value];

        return new StringName(...$strings[$string] ?? throw new \OutOfRangeException("There is no string {$string} on the {$this->value}."));
    }

    /** @return list<StringName> the four, lowest first */
    public function strings(): array
    {
        return array_map(
            static fn (array $string): StringName => new StringName($string[0], $string[1]),
            InstrumentData::STRINGS[$this->value],
        );
    }

    /** @param int $string 0 is the lowest */
    public function stringName(int $string): string
    {
        return $this->string($string)->name;
    }

    /** The clef that its parts are written in, as far as they go without leger lines. */
    public function clef(): Clef
    {
        return match ($this) {
            self::Violin => new Clef('G', 2),
            self::Viola => new Clef('C', 3),
            self::Cello, self::Bass => new Clef('F', 4),
        };
    }

    /** The sounding MIDI number of the lowest open string. */
    public function lowest(): int
    {
        return InstrumentData::STRINGS[$this->value][0][1];
    }

    /** The highest sounding MIDI number a school player reaches: two octaves and a third above the top string. */
    public function highest(): int
    {
        return InstrumentData::STRINGS[$this->value][3][1] + InstrumentData::HIGHEST_OFFSET;
    }

    /** @return list<FramePlace> the places each finger reaches around a hand */
    public function frame(bool $fourFingerBass = false): array
    {
        $name = $this === self::Bass && $fourFingerBass ? 'bass-four-finger' : $this->value;

        return array_map(
            static fn (array $place): FramePlace => new FramePlace($place[0], Placement::from($place[1]), $place[2], $place[3] ?? false),
            InstrumentData::FRAMES[$name],
        );
    }

    /**
     * The ways to touch the string so that it sounds this note as a natural harmonic.
     *
     * @param  int  $offset  semitones of the sounding note above the open string
     * @return list<array{int, FramePlace}> where the finger touches (semitones above the open string), and with which
     */
    public function harmonics(int $offset): array
    {
        $found = [];
        foreach (array_keys(InstrumentData::HARMONICS, $offset, true) as $touch) {
            foreach (InstrumentData::HARMONIC_FINGERS[$this->value] as [$finger, $reach]) {
                $found[] = [$touch, new FramePlace($finger, Placement::Harmonic, $reach)];
            }
        }

        return $found;
    }

    /** @return list<float> every position of the instrument, lowest first; half is 0.5 */
    public function positions(): array
    {
        return array_values(array_unique(InstrumentData::POSITIONS[$this->positionTable()]));
    }

    /**
     * The strings on which a note lies within a player's reach.
     *
     * @param  int  $string  one of them; 0 is the lowest
     * @param  int  $offset  semitones of the note above this open string
     * @return list<string> their names, highest string first
     */
    public function stringsFor(int $string, int $offset): array
    {
        $strings = InstrumentData::STRINGS[$this->value];
        $midi = $this->string($string)->midi + $offset;
        $reached = [];
        foreach (array_reverse($strings) as [$name, $open]) {
            $midi < $open || $midi > $open + InstrumentData::HIGHEST_STOP || $reached[] = $name;
        }

        return $reached;
    }

    /** The position's name as a number (half is 0.5, II½ is 2.5) for a hand whose first finger rests at this offset. */
    public function position(int $hand): float
    {
        $table = InstrumentData::POSITIONS[$this->positionTable()];

        return (float) ($table[$hand] ?? max($table) + ($hand - max(array_keys($table))) / 2);
    }

    /**
     * The names a hand may have: two where the spelling decides between neighbours.
     *
     * @return non-empty-list<float>
     */
    public function positionsAt(int $hand): array
    {
        $spelled = $this === self::Violin || $this === self::Viola ? InstrumentData::SPELLED_POSITIONS[$hand] ?? null : null;

        return $spelled === null ? [$this->position($hand)] : [$this->position($hand), $spelled];
    }

    /** “III”; half position is “½”. */
    public static function positionNumeral(float $position): string
    {
        return InstrumentData::POSITION_NUMERALS[(string) $position] ?? (string) $position;
    }

    /** “half position”, “third position”, “position II½”. */
    public static function positionName(float $position): string
    {
        return InstrumentData::POSITION_NAMES[(string) $position] ?? "position {$position}";
    }

    /** @return list<int> the offsets of the first finger in this position */
    public function hands(float $position): array
    {
        return array_keys(array_filter(
            InstrumentData::POSITIONS[$this->positionTable()],
            static fn (float $named): bool => $named === $position,
        ));
    }

    private function positionTable(): string
    {
        return $this === self::Viola ? 'violin' : $this->value;
    }
}
