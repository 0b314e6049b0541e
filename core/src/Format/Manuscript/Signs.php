<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Manuscript;

/** The words of a manuscript: what may stand in its fields. Both directions, and the browser, use these and no others. */
final class Signs
{
    public const FORMAT = 'upright-pencil-manuscript';

    public const VERSION = 1;

    /** Note values, as parts of a whole note. */
    public const VALUES = [1 => 'whole', 2 => 'half', 4 => 'quarter', 8 => 'eighth', 16 => '16th', 32 => '32nd', 64 => '64th'];

    /** Written accidentals and the semitones that they stand for. */
    public const ACCIDENTALS = ['#' => 1.0, 'b' => -1.0, 'n' => 0.0, '##' => 2.0, 'bb' => -2.0];

    /** The same in MusicXML's words. */
    public const ACCIDENTAL_NAMES = ['#' => 'sharp', 'b' => 'flat', 'n' => 'natural', '##' => 'double-sharp', 'bb' => 'flat-flat'];

    /** Clefs: sign, line, octave. */
    public const CLEFS = ['treble' => ['G', 2], 'alto' => ['C', 3], 'tenor' => ['C', 4], 'bass' => ['F', 4], 'rhythm' => ['percussion', null]];

    public const DYNAMICS = ['ppp', 'pp', 'p', 'mp', 'mf', 'f', 'ff', 'fff', 'fp', 'sf', 'sfz'];

    public const HAIRPINS = ['crescendo', 'diminuendo'];

    /** Signs on a note besides its articulations, which have MusicXML's names. */
    public const ON_NOTES = ['down', 'up', 'open', 'harmonic', 'fermata', 'breath', 'tremolo-1', 'tremolo-2', 'tremolo-3'];

    public const CLOSINGS = ['repeat', 'double', 'final'];

    public const JUMP_SIGNS = ['segno', 'coda'];
}
