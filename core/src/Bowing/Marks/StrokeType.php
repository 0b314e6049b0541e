<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Marks;

/** A kind of stroke that was asked for, by the word that is pencilled in. */
enum StrokeType: string
{
    case Detache = 'détaché';
    case Legato = 'legato';
    case Portato = 'portato';
    case Staccato = 'staccato';
    case Martele = 'martelé';
    case Marcato = 'marcato';
    case Spiccato = 'spiccato';
    case OnTheString = 'on the string';
    case Tremolo = 'tremolo';

    /** Where on the bow it is played (`bowing.md`, “Bow time and bow place”); null: anywhere. */
    public function place(): ?BowPlace
    {
        return match ($this) {
            self::Spiccato => BowPlace::BalancePoint,
            self::Martele => BowPlace::UpperHalf,
            default => null,
        };
    }

    /** Whether the bow stops, or leaves the string, after each note: about half of the note's time has sound. */
    public function detaches(): bool
    {
        return $this === self::Staccato || $this === self::Martele || $this === self::Spiccato;
    }
}
