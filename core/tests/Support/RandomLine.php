<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Support;

use Random\Engine\Mt19937;
use Random\Randomizer;
use UprightPencil\Core\Strings\Instrument;

/** Made-up lines anywhere on an instrument, with leaps, accidentals, slurs and rests; the same for the same seed. */
final class RandomLine
{
    private const SHARPS = ['C', 'C#', 'D', 'D#', 'E', 'F', 'F#', 'G', 'G#', 'A', 'A#', 'B'];

    private const FLATS = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'Gb', 'G', 'Ab', 'A', 'Bb', 'B'];

    /** Half steps above the lowest open string that a line wanders through. */
    private const RANGE = 33;

    public static function of(Instrument $instrument, int $seed, int $range = self::RANGE): string
    {
        $random = new Randomizer(new Mt19937($seed));
        $names = $random->getInt(0, 1) === 0 ? self::SHARPS : self::FLATS;
        $lowest = $instrument->lowest() + ($instrument === Instrument::Bass ? 12 : 0);
        $place = $random->getInt(4, 20);
        $text = '='.(60 + 20 * $random->getInt(0, 4));
        for ($measure = 0; $measure < 6; $measure++) {
            $words = [];
            for ($beat = 0; $beat < 4; $beat++) {
                $place = max(0, min($range, $place + $random->getInt(-5, 5)));
                $midi = $lowest + $place;
                $words[] = $random->getInt(0, 9) === 0 ? 'rq' : $names[$midi % 12].(intdiv($midi, 12) - 1).'q';
            }
            $text .= ' '.implode(' ', self::slurred($random, $words)).' |';
        }

        return trim($text, '| ');
    }

    /**
     * @param  list<string>  $words
     * @return list<string>
     */
    private static function slurred(Randomizer $random, array $words): array
    {
        $from = $random->getInt(0, 2);
        [$one, $other] = [$words[$from], $words[$from + 1]];
        if ($one[0] !== 'r' && $other[0] !== 'r') {
            array_splice($words, $from, 2, ["({$one}", "{$other})"]);
        }

        return $words;
    }
}
