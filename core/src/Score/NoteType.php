<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/** The written value of a note head; the case values are MusicXML's and the field's names. */
enum NoteType: string
{
    case Maxima = 'maxima';
    case Long = 'long';
    case Breve = 'breve';
    case Whole = 'whole';
    case Half = 'half';
    case Quarter = 'quarter';
    case Eighth = 'eighth';
    case N16 = '16th';
    case N32 = '32nd';
    case N64 = '64th';
    case N128 = '128th';
    case N256 = '256th';
    case N512 = '512th';
    case N1024 = '1024th';

    /** How many of this value fill a maxima: powers of two from 1 to 8192. A quarter is 32. */
    public function perMaxima(): int
    {
        return 1 << (int) array_search($this, self::cases(), true);
    }
}
