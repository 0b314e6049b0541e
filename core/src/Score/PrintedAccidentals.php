<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/** The accidentals that have to be printed where pitches were moved: by key, by measure, and none over a tie. */
final class PrintedAccidentals
{
    /** By semitones, as MusicXML calls them. */
    public const NAMES = ['-2' => 'flat-flat', '-1' => 'flat', '0' => 'natural', '1' => 'sharp', '2' => 'double-sharp', '0.5' => 'quarter-sharp', '-0.5' => 'quarter-flat'];

    /**
     * @param  list<Measure>  $measures
     * @return list<Measure>
     */
    public static function over(array $measures): array
    {
        $key = new Key(0);
        $printed = [];
        foreach ($measures as $measure) {
            $items = [];
            $held = [];
            $key = $measure->key ?? $key;
            foreach ($measure->items as $item) {
                $key = $item instanceof Attributes ? $item->key ?? $key : $key;
                $items[] = $item instanceof Note ? self::note($item, $key, $held) : $item;
            }
            $printed[] = $measure->with(items: $items);
        }

        return $printed;
    }

    /** @param array<string, float> $held letter and octave => alteration in force */
    private static function note(Note $note, Key $key, array &$held): Note
    {
        $plain = $note->with(accidental: null, kept: array_diff_key($note->kept, ['accidental' => 1]));
        if ($note->pitch === null) {
            return $plain;
        }
        $place = $note->pitch->letter.$note->pitch->octave;
        $inForce = $held[$place] ?? (float) $key->alterOf($note->pitch->letter);
        if ($note->pitch->alter === $inForce || ($note->tieStop && ! isset($held[$place]))) {
            return $plain;
        }
        $held[$place] = $note->pitch->alter;

        return $plain->with(accidental: self::NAMES[(string) $note->pitch->alter] ?? null);
    }
}
