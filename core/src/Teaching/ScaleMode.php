<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching;

/** The kinds of scale. Steps are half steps above the tonic. */
enum ScaleMode: string
{
    case Major = 'major';
    case NaturalMinor = 'natural-minor';
    case HarmonicMinor = 'harmonic-minor';
    case MelodicMinor = 'melodic-minor';
    case Chromatic = 'chromatic';

    /** @return list<int> within one octave, going up */
    public function up(): array
    {
        return match ($this) {
            self::Major => [0, 2, 4, 5, 7, 9, 11],
            self::NaturalMinor => [0, 2, 3, 5, 7, 8, 10],
            self::HarmonicMinor => [0, 2, 3, 5, 7, 8, 11],
            self::MelodicMinor => [0, 2, 3, 5, 7, 9, 11],
            self::Chromatic => range(0, 11),
        };
    }

    /** @return list<int> the same steps as they come down; only the melodic minor differs */
    public function down(): array
    {
        return $this === self::MelodicMinor ? self::NaturalMinor->up() : $this->up();
    }

    public function isMinor(): bool
    {
        return $this !== self::Major && $this !== self::Chromatic;
    }
}
