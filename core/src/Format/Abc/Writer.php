<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Abc;

use UprightPencil\Core\Score\Key;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Score\TempoMap;

/**
 * Writes ABC 2.1, each part as a voice. Lyrics, layout and note ids have no place in it; a second voice within a part is
 * left out, which the format cannot hold without a staff of its own.
 */
final class Writer
{
    private const MODES = ['minor' => 'm', 'dorian' => 'dor', 'mixolydian' => 'mix', 'phrygian' => 'phr', 'lydian' => 'lyd', 'locrian' => 'loc'];

    /** The major keys from seven flats to seven sharps; other modes count from them. */
    private const TONICS = ['Cb', 'Gb', 'Db', 'Ab', 'Eb', 'Bb', 'F', 'C', 'G', 'D', 'A', 'E', 'B', 'F#', 'C#', 'G#', 'D#', 'A#'];

    private const STEPS = ['minor' => 3, 'dorian' => 2, 'mixolydian' => 1, 'phrygian' => 4, 'lydian' => -1, 'locrian' => 5];

    public static function write(Score $score): string
    {
        $first = $score->parts[0]->measures[0] ?? null;
        $text = "X:1\nT:".self::oneLine($score->title ?: 'Untitled')."\n"
            .($score->composer === '' ? '' : 'C:'.self::oneLine($score->composer)."\n")
            .'M:'.($first?->meter === null || $first->meter->terms === [] ? 'none' : self::meter($first->meter->terms))."\nL:1/8\n"
            .'Q:1/4='.rtrim(rtrim(number_format(TempoMap::of($score)->first(), 2, '.', ''), '0'), '.')."\n"
            .'K:'.self::key($first->key ?? new Key(0))."\n";
        foreach ($score->parts as $index => $part) {
            $text .= 'V:'.($index + 1).' name="'.str_replace('"', "'", self::oneLine($part->name)).'" clef='.self::clef($part)."\n"
                .(new VoiceWriter($score->resolution))->write($part);
        }

        return $text;
    }

    /** @param list<array{string, int}> $terms */
    public static function meter(array $terms): string
    {
        return implode('+', array_map(static fn (array $term): string => "{$term[0]}/{$term[1]}", $terms));
    }

    public static function key(Key $key): string
    {
        $mode = $key->mode ?? 'major';
        $place = $key->fifths + 7 + (self::STEPS[$mode] ?? 0);

        return (self::TONICS[$place] ?? 'C').(self::MODES[$mode] ?? '');
    }

    private static function clef(Part $part): string
    {
        $name = isset($part->clefs()[0]) ? $part->clefs()[0]->name() : 'treble';

        return strtr($name, [' 8vb' => '-8', ' 8va' => '+8']);
    }

    private static function oneLine(string $text): string
    {
        return trim((string) preg_replace('/[\s%]+/u', ' ', $text));
    }
}
