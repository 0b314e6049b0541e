<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/** Printed articulations that bear on the bow; the case values are MusicXML's names. */
enum Articulation: string
{
    case Accent = 'accent';
    case StrongAccent = 'strong-accent';
    case Staccato = 'staccato';
    case Tenuto = 'tenuto';
    case DetachedLegato = 'detached-legato';
    case Staccatissimo = 'staccatissimo';
    case Spiccato = 'spiccato';

    /** True for the signs that put a stop after the note. */
    public function detaches(): bool
    {
        return match ($this) {
            self::Staccato, self::Staccatissimo, self::Spiccato, self::DetachedLegato => true,
            default => false,
        };
    }

    public function accents(): bool
    {
        return $this === self::Accent || $this === self::StrongAccent;
    }
}
