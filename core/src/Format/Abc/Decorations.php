<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Abc;

use UprightPencil\Core\Score\Articulation;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\Direction;
use UprightPencil\Core\Score\DirectionKind;
use UprightPencil\Core\Score\DirectionSign;
use UprightPencil\Core\Score\Technical;

/** The signs that stand before a note, a rest or a barline, until it comes. */
final class Decorations
{
    /** What a letter before a note means unless the file says otherwise (U:). */
    public const LETTERS = ['.' => 'staccato', '~' => 'roll', 'H' => 'fermata', 'L' => 'accent', 'M' => 'lowermordent', 'O' => 'coda', 'P' => 'uppermordent', 'S' => 'segno', 'T' => 'trill', 'u' => 'upbow', 'v' => 'downbow'];

    public const DYNAMICS = ['pppp', 'ppp', 'pp', 'p', 'mp', 'mf', 'f', 'ff', 'fff', 'ffff', 'sfz', 'sf', 'sffz', 'fp', 'rf', 'rfz', 'fz', 'sfp'];

    private const WEDGES = ['crescendo(' => 'crescendo', '<(' => 'crescendo', 'diminuendo(' => 'diminuendo', '>(' => 'diminuendo', 'crescendo)' => 'stop', '<)' => 'stop', 'diminuendo)' => 'stop', '>)' => 'stop'];

    private const WORDS = ['fine' => 'Fine', 'D.C.' => 'D.C.', 'dacapo' => 'D.C.', 'D.S.' => 'D.S.', 'dacoda' => 'To Coda', 'D.C.alfine' => 'D.C. al Fine', 'D.C.alcoda' => 'D.C. al Coda', 'D.S.alfine' => 'D.S. al Fine', 'D.S.alcoda' => 'D.S. al Coda'];

    private const JUMP_SIGNS = ['segno' => DirectionKind::Segno, 'coda' => DirectionKind::Coda];

    private const ARTICULATIONS = ['staccato' => Articulation::Staccato, 'accent' => Articulation::Accent, '>' => Articulation::Accent, 'emphasis' => Articulation::Accent, 'tenuto' => Articulation::Tenuto, 'wedge' => Articulation::Staccatissimo, 'marcato' => Articulation::StrongAccent, '^' => Articulation::StrongAccent];

    /** Signs that only an engraver reads, in MusicXML's words. */
    public const ORNAMENTS = ['trill' => '<trill-mark/>', 'lowermordent' => '<mordent/>', 'uppermordent' => '<inverted-mordent/>', 'turn' => '<turn/>', 'invertedturn' => '<inverted-turn/>', 'roll' => '<other-ornament>roll</other-ornament>'];

    /** Strokes through the stem. */
    private const TREMOLOS = ['/' => 1, '//' => 2, '///' => 3, '////' => 4];

    public const TECHNICAL = ['snap' => '<snap-pizzicato/>', 'thumb' => '<thumb-position/>', 'plus' => '<stopped/>'];

    public const NOTATIONS = ['arpeggio' => '<arpeggiate/>'];

    private const OTHER_NAMES = ['mordent' => 'lowermordent', 'pralltriller' => 'uppermordent', 'turnx' => 'turn', 'invertedturnx' => 'invertedturn', '~' => 'roll', '+' => 'plus', 'invertedfermata' => 'fermata', 'D.C' => 'D.C.', 'D.S' => 'D.S.', 'tocoda' => 'dacoda', 'ToCoda' => 'dacoda', 'Fine' => 'fine', 'D.C.alFine' => 'D.C.alfine', 'D.C.alCoda' => 'D.C.alcoda', 'D.S.alFine' => 'D.S.alfine', 'D.S.alCoda' => 'D.S.alcoda', 'dacapoalfine' => 'D.C.alfine', 'dalsegno' => 'D.S.'];

    private const ON_NOTES = ['fermata', 'breath', 'upbow', 'downbow', 'open', '0', '1', '2', '3', '4', '5'];

    /** @var list<string> */
    private array $signs = [];

    /** @return bool false when nobody knows the sign */
    public function add(string $sign): bool
    {
        $sign = (string) preg_replace('/\s+/', '', $sign);
        $sign = self::OTHER_NAMES[$sign] ?? $sign;
        if (! self::isKnown($sign)) {
            return false;
        }
        $this->signs[] = $sign;

        return true;
    }

    private static function isKnown(string $sign): bool
    {
        return in_array($sign, self::DYNAMICS, true) || in_array($sign, self::ON_NOTES, true)
            || isset(self::WEDGES[$sign]) || isset(self::WORDS[$sign]) || isset(self::JUMP_SIGNS[$sign]) || isset(self::ARTICULATIONS[$sign])
            || isset(self::ORNAMENTS[$sign]) || isset(self::TREMOLOS[$sign]) || isset(self::TECHNICAL[$sign]) || isset(self::NOTATIONS[$sign]);
    }

    /**
     * What they say of the place where they stand; what they say of a note is kept for it.
     *
     * @return list<Direction>
     */
    public function directions(int $onset): array
    {
        $directions = $left = [];
        foreach ($this->signs as $sign) {
            $direction = match (true) {
                in_array($sign, self::DYNAMICS, true) => self::direction($onset, DirectionKind::Dynamics, $sign, 'below'),
                isset(self::WEDGES[$sign]) => self::direction($onset, DirectionKind::Wedge, self::WEDGES[$sign], 'below'),
                isset(self::WORDS[$sign]) => self::direction($onset, DirectionKind::Words, self::WORDS[$sign]),
                isset(self::JUMP_SIGNS[$sign]) => self::direction($onset, self::JUMP_SIGNS[$sign]),
                default => null,
            };
            $direction === null ? $left[] = $sign : $directions[] = $direction;
        }
        $this->signs = $left;

        return $directions;
    }

    private static function direction(int $onset, DirectionKind $kind, string $text = '', ?string $placement = null): Direction
    {
        return new Direction($onset, [new DirectionSign($kind, $text)], placement: $placement);
    }

    /** @return array<string, mixed> what they say of the note that has come, as arguments for it; “kept” is for its own */
    public function forNote(): array
    {
        $signs = $this->signs;
        $this->signs = [];

        return $signs === [] ? [] : [
            'articulations' => array_values(array_unique(array_intersect_key(self::ARTICULATIONS, array_flip($signs)), SORT_REGULAR)),
            'tremolo' => array_values(array_intersect_key(self::TREMOLOS, array_flip($signs)))[0] ?? 0,
            'fermata' => in_array('fermata', $signs, true),
            'breath' => in_array('breath', $signs, true),
            'technical' => self::technical($signs),
            'kept' => self::kept($signs),
        ];
    }

    /**
     * @param  list<string>  $signs
     * @return array<string, string>
     */
    private static function kept(array $signs): array
    {
        $ornaments = implode('', array_intersect_key(self::ORNAMENTS, array_flip($signs)));
        foreach (array_intersect_key(self::TREMOLOS, array_flip($signs)) as $strokes) {
            $ornaments .= "<tremolo>{$strokes}</tremolo>";
        }
        $notations = implode('', array_intersect_key(self::NOTATIONS, array_flip($signs)));

        return array_filter(['ornaments' => $ornaments === '' ? '' : "<ornaments>{$ornaments}</ornaments>", 'notations' => $notations], static fn (string $text): bool => $text !== '');
    }

    /** @param list<string> $signs */
    private static function technical(array $signs): Technical
    {
        $fingers = array_values(array_filter($signs, static fn (string $sign): bool => preg_match('/^[0-5]$/', $sign) === 1));
        $circle = in_array('open', $signs, true);

        return new Technical(
            in_array('downbow', $signs, true) ? BowSign::Down : (in_array('upbow', $signs, true) ? BowSign::Up : null),
            $fingers === [] || $fingers === ['0'] ? null : implode(' ', $fingers),
            open: $fingers === ['0'] || ($circle && $fingers === []),
            harmonic: $circle && $fingers !== [] && $fingers !== ['0'],
            other: array_values(array_intersect_key(self::TECHNICAL, array_flip($signs))),
        );
    }
}
