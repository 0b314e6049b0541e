<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Support;

use UprightPencil\Core\Score\Score;

/** A made-up violin part of any length: six notes a measure on average, slurs, accidentals and two strings. */
final class LongPart
{
    private const MEASURES = [
        'D5q (E5e F#5) G5q (A5e B5)',
        '(A5e G5) (F#5e E5) D5q C#5e B4',
        'A4e B4 C#5 D5 E5q F#5',
        '(G5q E5) (F#5e D5) C5q',
        'B4e C5 D5 Bb4 A4 G4 F#4q',
        'D4e F#4 A4 D5 (F#5q E5q)',
        'D5h r A5q',
        '(B5e A5 G5 F#5) (E5e D5 C#5 B4)',
    ];

    private const DYNAMICS = ['mf', 'f', 'p', 'ff', 'mp'];

    public static function ofMeasures(int $measures): Score
    {
        return self::score($measures, static fn (): string => '');
    }

    /** The same with a dynamic at the start of each measure. */
    public static function withDynamics(int $measures): Score
    {
        return self::score($measures, static fn (int $index): string => self::DYNAMICS[$index % count(self::DYNAMICS)].' ');
    }

    /** @param \Closure(int): string $before what stands before the notes of a measure */
    private static function score(int $measures, \Closure $before): Score
    {
        $text = '2#';
        for ($index = 0; $index < $measures; $index++) {
            $text .= ' '.$before($index).self::MEASURES[$index % count(self::MEASURES)].' |';
        }

        return Tune::score(str_replace('(F#5q E5q)', '(F#5q E5)', $text), 'Violin 1');
    }
}
