<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Abc;

use UprightPencil\Core\Score\Key;
use UprightPencil\Core\Score\Pitch;

/** What a typed note head is, by its own sign, by those that still hold in the measure, by a tie and by the key. */
final class Accidentals
{
    /** Semitones by which a sign alters a letter. */
    public const SIGNS = ['^^' => 2.0, '^' => 1.0, '^/' => 0.5, '=' => 0.0, '_/' => -0.5, '_' => -1.0, '__' => -2.0];

    /** As MusicXML calls them. */
    public const NAMES = ['^^' => 'double-sharp', '^' => 'sharp', '^/' => 'quarter-sharp', '=' => 'natural', '_/' => 'quarter-flat', '_' => 'flat', '__' => 'flat-flat'];

    /** @var array<string, float> letter and octave => alteration that holds until the barline */
    private array $held = [];

    /** How far a sign holds: for its “octave” (as is printed everywhere), for each “pitch” of its name, or “not” at all. */
    private string $reach = 'octave';

    public function reachTo(string $reach): void
    {
        $this->reach = in_array($reach, ['not', 'pitch'], true) ? $reach : 'octave';
    }

    public function forget(): void
    {
        $this->held = [];
    }

    /**
     * @param  int  $octaves  by which it lies higher than typed
     * @param  array<string, float>  $tied  letter and octave => alteration of the heads that are tied to this one
     */
    public function pitchOf(string $head, Key $key, int $octaves, array $tied): Pitch
    {
        [$sign, $letter, $octave] = self::parts($head);
        $octave = max(-1, min(10, $octave + $octaves));
        $place = $letter.$octave;
        if ($sign !== '') {
            $this->reach === 'not' || $this->held[$this->reach === 'pitch' ? $letter : $place] = self::SIGNS[$sign];

            return Pitch::of($letter, self::SIGNS[$sign], $octave);
        }

        return Pitch::of($letter, $tied[$place] ?? $this->held[$place] ?? $this->held[$letter] ?? (float) $key->alterOf($letter), $octave);
    }

    /** The other way round; what has no sign is written as the half step below it. */
    public static function signOf(float $alter): string
    {
        return (string) (array_search($alter, self::SIGNS, true) ?: array_search(floor($alter), self::SIGNS, true));
    }

    /** The sign that a head is typed with, as MusicXML calls it. */
    public static function nameOf(string $head): ?string
    {
        return self::NAMES[self::parts($head)[0]] ?? null;
    }

    /** @return array{string, string, int} sign, letter, octave as typed */
    private static function parts(string $head): array
    {
        preg_match('/^(\^\^|\^\/|\^|__|_\/|_|=)?([A-Ga-g])([,\']*)/', $head, $found);
        $marks = $found[3] ?? '';
        $letter = $found[2] ?? 'C';

        return [$found[1] ?? '', strtoupper($letter), (ctype_lower($letter) ? 5 : 4) + substr_count($marks, "'") - substr_count($marks, ',')];
    }
}
