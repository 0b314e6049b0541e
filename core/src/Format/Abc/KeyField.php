<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Abc;

use UprightPencil\Core\Score\Key;

/** What a K: field says: a key, and as a V: field does, the clef and where the notes sound. */
final readonly class KeyField
{
    /** As they are typed, the usual way first. */
    public const MODES = ['maj' => 'major', 'ion' => 'major', 'm' => 'minor', 'min' => 'minor', 'aeo' => 'minor', 'dor' => 'dorian', 'mix' => 'mixolydian', 'phr' => 'phrygian', 'lyd' => 'lydian', 'loc' => 'locrian'];

    /** Sharps more than the major key of the same name has. */
    public const SHARPS = ['lyd' => 1, 'mix' => -1, 'dor' => -2, 'm' => -3, 'min' => -3, 'aeo' => -3, 'phr' => -4, 'loc' => -5];

    private const TONIC = '/^([A-Ga-g])\s*([#b]?)\s*((?:maj|ion|min|aeo|dor|mix|phr|lyd|loc|exp)[a-z]*|(?-i:m))?(?![A-Za-z])/i';

    private function __construct(
        public ?Key $key,
        public StaffWords $staff,
        public bool $understood,
    ) {}

    public static function of(string $text): self
    {
        $staff = StaffWords::of($text);
        $text = trim($text);
        $signs = self::signs($text);
        if (preg_match('/^H[Pp](?![A-Za-z])/', $text) === 1) {
            // A piper's scale: the two sharps are printed in the one and taken for granted in the other.
            return new self(new Key($text[1] === 'p' ? 2 : 0), $staff, true);
        }
        if (preg_match('/^none\b/i', $text) === 1 || $text === '') {
            return new self(self::altered(new Key(0), $signs), $staff, true);
        }
        if (preg_match(self::TONIC, $text, $found) !== 1) {
            return new self($signs === [] ? null : self::altered(new Key(0), $signs), $staff, $signs !== [] || $staff->sayAnything());
        }
        $mode = strtolower(substr($found[3] ?? '', 0, 3));
        $fifths = (int) strpos(Key::SHARPS, strtoupper($found[1])) - 1 + 7 * (['#' => 1, 'b' => -1][$found[2]] ?? 0);

        return new self(self::altered($mode === 'exp' ? new Key(0) : new Key($fifths + (self::SHARPS[$mode] ?? 0), self::MODES[$mode] ?? null), $signs), $staff, true);
    }

    /** @return array<string, int> letter => semitones, as they are typed out after a key */
    private static function signs(string $text): array
    {
        preg_match_all('/(?<![\w=^])(\^\^|\^|__|_|=)([A-Ga-g])(?![A-Za-z=])/', $text, $found, PREG_SET_ORDER);
        $signs = [];
        foreach ($found as [, $sign, $letter]) {
            $signs[strtoupper($letter)] = (int) Accidentals::SIGNS[$sign];
        }

        return $signs;
    }

    /** @param array<string, int> $signs */
    private static function altered(Key $key, array $signs): Key
    {
        return $signs === [] ? $key : $key->altered($signs);
    }
}
