<?php

declare(strict_types=1);

namespace UprightPencil\Core\Strings;

/** Tuning, hand frames and position names, from `fingering.md`. Offsets are semitones above the open string. */
final class InstrumentData
{
    /** All four instruments have four strings; 0 is the lowest. */
    public const TOP_STRING = 3;

    public const HIGHEST_OFFSET = 28;

    /** Where the first finger rests in first position, on all four instruments, in semitones above the open string. */
    public const FIRST_HAND = 2;

    /** Of a bass with five: name, sounding MIDI number. */
    public const FIFTH_STRING = ['B', 23];

    /** The highest hand that is reached without the thumb, in semitones above the open string. */
    public const HIGHEST_HAND = 12;

    /** The fourth finger of the highest hand, in semitones above the open string. */
    public const HIGHEST_STOP = 17;

    /** Lowest string first: name, sounding MIDI number. */
    public const STRINGS = [
        'violin' => [['G', 55], ['D', 62], ['A', 69], ['E', 76]],
        'viola' => [['C', 48], ['G', 55], ['D', 62], ['A', 69]],
        'cello' => [['C', 36], ['G', 43], ['D', 50], ['A', 57]],
        'bass' => [['E', 28], ['A', 33], ['D', 38], ['G', 43]],
    ];

    /** Where beginners have tapes, on all four instruments, in semitones above the open string. */
    public const TAPES = [2, 4, 5, 7];

    private const UPPER_FRAME = [
        [1, 'low', -1], [1, 'regular', 0],
        [2, 'low', 1], [2, 'regular', 2],
        [3, 'low', 2], [3, 'regular', 3], [3, 'high', 4],
        [4, 'low', 4], [4, 'regular', 5], [4, 'extended', 6],
    ];

    /** Finger, placement, semitones from the hand; on the cello also whether the whole hand is opened for it. */
    public const FRAMES = [
        'violin' => self::UPPER_FRAME,
        'viola' => self::UPPER_FRAME,
        'cello' => [
            [1, 'extended', -1, true],
            [1, 'regular', 0], [2, 'regular', 1], [3, 'regular', 2], [4, 'regular', 3],
            [2, 'extended', 2, true], [3, 'extended', 3, true], [4, 'extended', 4, true],
        ],
        'bass' => [[1, 'regular', 0], [2, 'regular', 1], [4, 'regular', 2]],
        'bass-four-finger' => [[1, 'regular', 0], [2, 'regular', 1], [3, 'regular', 2], [4, 'regular', 3]],
    ];

    /**
     * Natural harmonics: where the finger touches => what sounds, the second to the fifth partial of the string. Most of
     * them lie at two places; only the one nearer the nut is listed.
     */
    public const HARMONICS = [12 => 12, 7 => 19, 5 => 24, 4 => 28];

    private const UPPER_HARMONIC_FINGERS = [[3, 3], [3, 4], [4, 5], [4, 7]];

    /** Finger and semitones from the hand; the widest is a stretch to the octave, possible because the finger only touches. */
    public const HARMONIC_FINGERS = [
        'violin' => self::UPPER_HARMONIC_FINGERS,
        'viola' => self::UPPER_HARMONIC_FINGERS,
        'cello' => [[3, 2], [3, 5], [4, 3]],
        'bass' => [[3, 2], [4, 2]],
    ];

    /** As teachers say them; the bass has positions between. */
    public const POSITION_NUMERALS = ['0.5' => '½', '1' => 'I', '2' => 'II', '2.5' => 'II½', '3' => 'III', '3.5' => 'III½', '4' => 'IV', '5' => 'V', '5.5' => 'V½', '6' => 'VI', '6.5' => 'VI½', '7' => 'VII'];

    public const POSITION_NAMES = [
        '0.5' => 'half position', '1' => 'first position', '2' => 'second position', '2.5' => 'position II½', '3' => 'third position', '3.5' => 'position III½',
        '4' => 'fourth position', '5' => 'fifth position', '5.5' => 'position V½', '6' => 'sixth position', '6.5' => 'position VI½', '7' => 'seventh position',
    ];

    /** Violin and viola: where the spelling decides between two names, the second one (“the letter under the first finger”). */
    public const SPELLED_POSITIONS = [4 => 3.0, 6 => 4.0, 9 => 6.0, 11 => 7.0];

    /** The hand's offset => the position's name as a number. */
    public const POSITIONS = [
        'violin' => [1 => 0.5, 2 => 1.0, 3 => 2.0, 4 => 2.0, 5 => 3.0, 6 => 3.0, 7 => 4.0, 8 => 5.0, 9 => 5.0, 10 => 6.0, 11 => 6.0, 12 => 7.0],
        'cello' => [1 => 0.5, 2 => 1.0, 3 => 2.0, 4 => 2.0, 5 => 3.0, 6 => 3.0, 7 => 4.0, 8 => 5.0, 9 => 5.0, 10 => 6.0, 12 => 7.0],
        'bass' => [1 => 0.5, 2 => 1.0, 3 => 2.0, 4 => 2.5, 5 => 3.0, 6 => 3.5, 7 => 4.0, 8 => 5.0, 9 => 5.5, 10 => 6.0, 11 => 6.5, 12 => 7.0],
    ];
}
