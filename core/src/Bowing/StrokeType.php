<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

/** A kind of stroke that was asked for, by the word that is pencilled in. */
enum StrokeType: string
{
    case Spiccato = 'spiccato';
    case Martele = 'martelé';
    case OnTheString = 'on the string';

    /** Where on the bow it is played; null: anywhere. */
    public function place(): ?BowPlace
    {
        return match ($this) {
            self::Spiccato => BowPlace::BalancePoint,
            self::Martele => BowPlace::LowerHalf,
            self::OnTheString => null,
        };
    }
}
