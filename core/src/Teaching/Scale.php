<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching;

use UprightPencil\Core\Score\Attributes;
use UprightPencil\Core\Score\Key;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Meter;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\NoteValue;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Pitch;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Score\UnknownPitch;
use UprightPencil\Core\Strings\Instrument;

/** Writes a scale or arpeggio, up and down in quarters, from the lowest tonic that the instrument has. */
final readonly class Scale
{
    private const RESOLUTION = 480;

    /** Sharps of the major key on each letter. */
    private const SHARPS = ['C' => 0, 'D' => 2, 'E' => 4, 'F' => -1, 'G' => 1, 'A' => 3, 'B' => 5];

    /** The degrees of a broken chord, counted from 0. */
    private const ARPEGGIO = [0, 2, 4];

    /** Minor keys have three sharps fewer than the major key on the same tonic. */
    private const MINOR = -3;

    /**
     * @param  string  $tonic  a letter with # or b, as in Bb
     * @param  int  $octaves  1 to 3
     * @param  int  $above  octaves above the lowest tonic at which it begins
     *
     * @throws UnknownPitch when the tonic is none, or the instrument has not that many octaves from it
     */
    public static function of(Instrument $instrument, string $tonic, ScaleMode $mode, int $octaves, bool $arpeggio = false, int $above = 0): Score
    {
        $start = self::lowest($instrument, Pitch::named("{$tonic}0"))->octavesUp($above);
        $pitches = self::pitches($start, $mode, $octaves, $arpeggio);
        foreach ($pitches as $pitch) {
            if ($pitch->midi() > $instrument->highest()) {
                throw new UnknownPitch("The {$instrument->value} has not {$octaves} octaves of {$tonic}.");
            }
        }
        $written = array_map(static fn (Pitch $pitch): Pitch => $instrument === Instrument::Bass ? $pitch->octavesUp(1) : $pitch, $pitches);
        $title = str_replace(['#', 'b'], ['♯', '♭'], $tonic).' '.str_replace('-', ' ', $mode->value).($arpeggio ? ' arpeggio' : '');

        return new Score($title, '', self::RESOLUTION, [new Part('P1', ucfirst($instrument->value), self::measures($written, self::key($tonic, $mode), $instrument))]);
    }

    private static function lowest(Instrument $instrument, Pitch $tonic): Pitch
    {
        while ($tonic->midi() < $instrument->lowest()) {
            $tonic = $tonic->octavesUp(1);
        }

        return $tonic;
    }

    private static function key(string $tonic, ScaleMode $mode): Key
    {
        $fifths = self::SHARPS[$tonic[0]] + 7 * (substr_count($tonic, '#') - substr_count(substr($tonic, 1), 'b')) + ($mode->isMinor() ? self::MINOR : 0);

        return new Key(max(-7, min(7, $fifths)), $mode->isMinor() ? 'minor' : 'major');
    }

    /** @return non-empty-list<Pitch> */
    private static function pitches(Pitch $start, ScaleMode $mode, int $octaves, bool $arpeggio): array
    {
        $up = $down = [];
        for ($octave = 0; $octave < $octaves; $octave++) {
            array_push($up, ...self::octave($start, $octave, $mode, $mode->up(), $arpeggio, sharps: true));
            array_push($down, ...self::octave($start, $octave, $mode, $mode->down(), $arpeggio, sharps: false));
        }

        return [...$up, $start->octavesUp($octaves), ...array_reverse($down)];
    }

    /**
     * @param  list<int>  $steps
     * @return list<Pitch>
     */
    private static function octave(Pitch $start, int $octave, ScaleMode $mode, array $steps, bool $arpeggio, bool $sharps): array
    {
        $pitches = [];
        foreach ($steps as $degree => $step) {
            if ($mode === ScaleMode::Chromatic) {
                $pitches[] = Pitch::chromatic($start->midi() + 12 * $octave + $step, $sharps);
            } elseif (! $arpeggio || in_array($degree, self::ARPEGGIO, true)) {
                $pitches[] = self::spelled($start, $degree + 7 * $octave, $start->midi() + 12 * $octave + $step);
            }
        }

        return $pitches;
    }

    /** The pitch of this height on a letter so many letters above the start. */
    private static function spelled(Pitch $start, int $letters, int $midi): Pitch
    {
        $plain = Pitch::natural($start->diatonic() + $letters);

        return Pitch::of($plain->letter, $midi - $plain->midi(), $plain->octave);
    }

    /**
     * @param  non-empty-list<Pitch>  $pitches
     * @return list<Measure>
     */
    private static function measures(array $pitches, Key $key, Instrument $instrument): array
    {
        $meter = Meter::of(4, 4);
        $measures = [];
        $number = 0;
        foreach (array_chunk($pitches, 4) as $index => $chunk) {
            $items = $index === 0 ? [new Attributes(0, $key, $meter, [$instrument->clef()])] : [];
            foreach ($chunk as $place => $pitch) {
                $last = ++$number === count($pitches);
                $ticks = $last ? (4 - $place) * self::RESOLUTION : self::RESOLUTION;
                $items[] = new Note("n{$number}", $place * self::RESOLUTION, $ticks, $pitch, voice: '1', value: NoteValue::lasting($ticks, self::RESOLUTION));
            }
            $measures[] = new Measure((string) ($index + 1), $index * 4 * self::RESOLUTION, 4 * self::RESOLUTION, $meter, $key, items: $items);
        }

        return $measures;
    }
}
