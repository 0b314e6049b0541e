<?php

declare(strict_types=1);

namespace UprightPencil\Core\Strings;

/** How far a class is. */
enum Level: string
{
    case FirstYear = 'first-year';
    case SecondYear = 'second-year';
    case ThirdYear = 'third-year';
    case Advanced = 'advanced';

    /** Where a class is a year later; advanced stays advanced. */
    public function next(): self
    {
        return match ($this) {
            self::FirstYear => self::SecondYear,
            self::SecondYear => self::ThirdYear,
            self::ThirdYear, self::Advanced => self::Advanced,
        };
    }

    /**
     * Positions taught, from `fingering.md` (“Class profile”); half is 0.5.
     *
     * @return list<float>
     */
    public function positions(Instrument $instrument): array
    {
        $bass = $instrument === Instrument::Bass;
        $cello = $instrument === Instrument::Cello;

        return match ($this) {
            self::FirstYear => [1.0],
            self::SecondYear => $bass ? [0.5, 1.0, 2.0, 3.0] : ($cello ? [1.0] : [1.0, 3.0]),
            self::ThirdYear => $bass ? [0.5, 1.0, 2.0, 2.5, 3.0, 3.5, 4.0] : [0.5, 1.0, 2.0, 3.0, 4.0],
            self::Advanced => [0.5, 1.0, 2.0, 2.5, 3.0, 3.5, 4.0, 5.0, 5.5, 6.0, 6.5, 7.0],
        };
    }

    /**
     * Fingers out of their regular place that are taught.
     *
     * @return list<string>
     */
    public function placements(Instrument $instrument): array
    {
        return match ($instrument) {
            Instrument::Violin, Instrument::Viola => match ($this) {
                self::FirstYear => ['low 2'],
                self::SecondYear => ['low 1', 'low 2', 'low 3', 'high 3', 'low 4'],
                self::ThirdYear => ['low 1', 'low 2', 'low 3', 'high 3', 'low 4', 'extended 4'],
                self::Advanced => ['low 1', 'low 2', 'low 3', 'high 3', 'low 4', 'extended 4', 'harmonic'],
            },
            Instrument::Cello => match ($this) {
                self::FirstYear => [],
                self::SecondYear, self::ThirdYear => ['extended 1', 'extended 2', 'extended 3', 'extended 4'],
                self::Advanced => ['extended 1', 'extended 2', 'extended 3', 'extended 4', 'harmonic'],
            },
            Instrument::Bass => $this === self::Advanced ? ['harmonic'] : [],
        };
    }

    /** The level that a class comes from. */
    public function before(): ?self
    {
        return match ($this) {
            self::FirstYear => null,
            self::SecondYear => self::FirstYear,
            self::ThirdYear => self::SecondYear,
            self::Advanced => self::ThirdYear,
        };
    }

    /**
     * Key signatures taught: ours, from the notes that the levels' fingers reach without accidentals.
     *
     * @return array{int, int} from so many flats (as a negative number) to so many sharps
     */
    public function keys(): array
    {
        return match ($this) {
            self::FirstYear => [0, 2],
            self::SecondYear => [-2, 3],
            self::ThirdYear => [-3, 4],
            self::Advanced => [-7, 7],
        };
    }

    public function openStrings(): OpenStrings
    {
        return $this === self::FirstYear ? OpenStrings::Open : OpenStrings::UpOpenDownFour;
    }

    /** Seconds to bring the bow back to the frog on a violin, from `bowing.md` (“Retake time”). */
    public function retakeSeconds(): float
    {
        return match ($this) {
            self::FirstYear => 0.60,
            self::SecondYear => 0.45,
            self::ThirdYear => 0.35,
            self::Advanced => 0.28,
        };
    }

    /** How long one whole bow lasts against a second-year class, from `bowing.md` (“Bow time and bow place”). */
    public function bowLength(): float
    {
        return match ($this) {
            self::FirstYear => 0.7,
            self::SecondYear => 1.0,
            self::ThirdYear => 1.2,
            self::Advanced => 1.5,
        };
    }

    /** Notes that a class plays cleanly in one slur at a comfortable speed. */
    public function slurNotes(): int
    {
        return match ($this) {
            self::FirstYear => 4,
            self::SecondYear => 8,
            self::ThirdYear => 12,
            self::Advanced => 24,
        };
    }

    /** String crossings inside a slur of fast notes that a class plays cleanly. */
    public function slurCrossings(): int
    {
        return match ($this) {
            self::FirstYear => 1,
            self::SecondYear => 2,
            self::ThirdYear => 4,
            self::Advanced => 12,
        };
    }

    /** What a fourth finger costs before anything else speaks for it. */
    public function fourthFingerCost(): float
    {
        return match ($this) {
            self::FirstYear => 1.5,
            self::SecondYear => 0.5,
            self::ThirdYear => 0.3,
            self::Advanced => 0.15,
        };
    }

    /** How much of its cost a position above first keeps, for a class that has played there longer. */
    public function positionFactor(): float
    {
        return match ($this) {
            self::FirstYear, self::SecondYear => 1.0,
            self::ThirdYear => 0.8,
            self::Advanced => 0.5,
        };
    }

    public function vibrates(): bool
    {
        return $this === self::ThirdYear || $this === self::Advanced;
    }
}
