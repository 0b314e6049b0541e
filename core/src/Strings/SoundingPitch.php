<?php

declare(strict_types=1);

namespace UprightPencil\Core\Strings;

use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Pitch;

/**
 * How far a part sounds from what is written: a bass sounds an octave lower, whether the file says so or not.
 * A bass part whose clef carries an 8, or that goes below any octave-written bass, is written as it sounds.
 */
final readonly class SoundingPitch
{
    /** Written C2: no bass part written an octave up goes lower, even with a low C string. */
    private const LOWEST_WRITTEN_BASS = 36;

    private function __construct(public int $octaves) {}

    public static function of(Part $part, Instrument $instrument): self
    {
        if ($instrument !== Instrument::Bass) {
            return new self(0);
        }
        foreach ($part->clefs() as $clef) {
            if ($clef->octave !== 0) {
                return new self(0);
            }
        }
        foreach ($part->notes() as $note) {
            if ($note->sounds() && $note->pitch !== null && $note->pitch->midi() < self::LOWEST_WRITTEN_BASS) {
                return new self(0);
            }
        }

        return new self(-1);
    }

    public function sounding(Pitch $written): Pitch
    {
        return $written->octavesUp($this->octaves);
    }
}
