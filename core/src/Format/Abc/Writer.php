<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Abc;

use UprightPencil\Core\Score\Attributes;
use UprightPencil\Core\Score\Clef;
use UprightPencil\Core\Score\Direction;
use UprightPencil\Core\Score\DirectionKind;
use UprightPencil\Core\Score\Key;
use UprightPencil\Core\Score\Meter;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Score\TempoMap;

/**
 * Writes ABC 2.1: each staff of a part is a voice, further voices on it are overlays. Lyrics, layout, cues and note ids have no
 * place in it.
 */
final class Writer
{
    public static function write(Score $score): string
    {
        $first = $score->parts[0]->measures[0] ?? null;
        $tempo = self::commonTempo($score->parts);
        $voices = $layout = '';
        foreach ($score->parts as $index => $part) {
            [$voice, $ids] = self::part($part, $score->resolution, $index + 1, $first?->key, $tempo);
            $voices .= $voice;
            $layout .= count($ids) > 1 ? '{'.implode(' ', $ids).'} ' : "{$ids[0]} ";
        }

        return "X:1\nT:".(Text::typed($score->title) ?: 'Untitled')."\n"
            .($score->composer === '' ? '' : 'C:'.Text::typed($score->composer)."\n")
            .(str_contains($layout, '{') ? '%%score '.trim($layout)."\n" : '')
            .'M:'.($first?->meter === null ? 'none' : self::meter($first->meter))."\nL:1/8\n"
            .($tempo === null ? '' : "Q:{$tempo}\n")
            .'K:'.self::key($first->key ?? new Key(0))."\n".$voices;
    }

    /** @return array{string, non-empty-list<string>} the voices of a part, and their names */
    private static function part(Part $part, int $resolution, int $number, ?Key $key, ?string $tempo): array
    {
        $first = $part->measures[0] ?? null;
        $staves = max(1, 1, ...array_map(static fn (Attributes $attributes): int => $attributes->staves ?? 1, $first?->attributes() ?? []));
        $text = '';
        $ids = [];
        foreach (range(1, $staves) as $staff) {
            $ids[] = $id = $number.($staves > 1 ? chr(96 + $staff) : '');
            $transposition = $part->transposition()?->semitones() ?? 0;
            $own = $first?->key;
            $text .= "V:{$id}".($staff === 1 ? ' name="'.Text::typed($part->name).'"' : '').' clef='.self::clef(self::firstClef($part, $staff)).($transposition === 0 ? '' : " transpose={$transposition}")."\n"
                .($own !== null && $key !== null && ($own->fifths !== $key->fifths || $own->alters !== $key->alters) ? '[K:'.self::key($own).']' : '')
                .(new VoiceWriter($resolution, $staff, $tempo))->write($part);
        }

        return [$text, $ids];
    }

    public static function meter(Meter $meter): string
    {
        return match (true) {
            $meter->terms === [] => 'none',
            ($meter->kept['symbol'] ?? '') === 'common' && $meter->terms === [['4', 4]] => 'C',
            ($meter->kept['symbol'] ?? '') === 'cut' && $meter->terms === [['2', 2]] => 'C|',
            default => implode('+', array_map(static fn (array $term): string => "{$term[0]}/{$term[1]}", $meter->terms)),
        };
    }

    public static function key(Key $key): string
    {
        if ($key->alters !== []) {
            return 'C exp '.implode(' ', array_map(static fn (string $letter, int $semitones): string => Accidentals::signOf($semitones).strtolower($letter), array_keys($key->alters), $key->alters));
        }
        $mode = (string) array_search($key->mode, KeyField::MODES, true);
        // F, which the letters begin with, has one flat as a major key.
        $place = $key->fifths + 1 - (KeyField::SHARPS[$mode] ?? 0);
        $signs = (int) floor($place / 7);

        return Key::SHARPS[$place - 7 * $signs].str_repeat($signs < 0 ? 'b' : '#', abs($signs)).$mode;
    }

    public static function clef(Clef $clef): string
    {
        $name = match (true) {
            $clef->sign === 'percussion' => 'perc',
            ($named = array_search([$clef->sign, $clef->line], StaffWords::CLEFS, true)) !== false => $named,
            in_array($clef->sign, ['G', 'C', 'F'], true) => $clef->sign.($clef->line ?? ['G' => 2, 'C' => 3, 'F' => 4][$clef->sign]),
            default => 'none',
        };

        return $name.([-2 => '-15', -1 => '-8', 1 => '+8', 2 => '+15'][$clef->octave] ?? '');
    }

    public static function clefOf(Attributes $attributes, int $staff): ?Clef
    {
        foreach ($attributes->clefs as $clef) {
            if ($clef->staff === $staff) {
                return $clef;
            }
        }

        return null;
    }

    private static function firstClef(Part $part, int $staff): Clef
    {
        foreach ($part->clefs() as $clef) {
            if ($clef->staff === $staff) {
                return $clef;
            }
        }

        return new Clef('G', 2);
    }

    /**
     * The tempo that all parts begin with; null where some say another one, or nothing.
     *
     * @param  list<Part>  $parts
     */
    private static function commonTempo(array $parts): ?string
    {
        $tempos = [];
        foreach ($parts as $part) {
            $first = null;
            foreach (isset($part->measures[0]) ? $part->measures[0]->directions() : [] as $direction) {
                $first ??= $direction->onset === 0 ? self::tempo($direction) : null;
            }
            $tempos[] = $first;
        }

        return count(array_unique($tempos)) === 1 ? $tempos[0] : null;
    }

    /** `"Briskly" 1/4=132`: what a direction says of the tempo, in quarters a minute with two places at most; null when it says nothing. */
    public static function tempo(Direction $direction): ?string
    {
        $tempo = TempoMap::tempoOf($direction);
        if ($tempo === null) {
            return null;
        }

        return (self::hasTempoWords($direction) ? '"'.Text::typed($direction->signs[0]->text).'" ' : '').'1/4='.rtrim(rtrim(number_format($tempo, 2, '.', ''), '0'), '.');
    }

    /** Words that a tempo field can say too. */
    public static function hasTempoWords(Direction $direction): bool
    {
        return ($direction->signs[0]->kind ?? null) === DirectionKind::Words && $direction->signs[0]->text !== '' && $direction->placement !== 'below';
    }
}
