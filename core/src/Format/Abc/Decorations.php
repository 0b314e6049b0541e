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
    private const SHORT = ['.' => 'staccato', 'u' => 'upbow', 'v' => 'downbow', 'H' => 'fermata', 'L' => 'accent'];

    private const DYNAMICS = ['pppp', 'ppp', 'pp', 'p', 'mp', 'mf', 'f', 'ff', 'fff', 'ffff', 'sfz'];

    private const WEDGES = ['crescendo(' => 'crescendo', '<(' => 'crescendo', 'diminuendo(' => 'diminuendo', '>(' => 'diminuendo', 'crescendo)' => 'stop', '<)' => 'stop', 'diminuendo)' => 'stop', '>)' => 'stop'];

    private const WORDS = ['fine' => 'Fine', 'D.C.' => 'D.C.', 'dacapo' => 'D.C.', 'D.S.' => 'D.S.', 'dacoda' => 'To Coda', 'D.C.alfine' => 'D.C. al Fine', 'D.C.alcoda' => 'D.C. al Coda', 'D.S.alfine' => 'D.S. al Fine', 'D.S.alcoda' => 'D.S. al Coda'];

    private const JUMP_SIGNS = ['segno' => DirectionKind::Segno, 'coda' => DirectionKind::Coda];

    private const ARTICULATIONS = ['staccato' => Articulation::Staccato, 'accent' => Articulation::Accent, '>' => Articulation::Accent, 'emphasis' => Articulation::Accent, 'tenuto' => Articulation::Tenuto, 'wedge' => Articulation::Staccatissimo, 'marcato' => Articulation::StrongAccent];

    /** @var list<string> */
    private array $signs = [];

    public function add(string $sign): void
    {
        $this->signs[] = $sign;
    }

    public function addShort(string $letter): void
    {
        $this->signs[] = self::SHORT[$letter] ?? '';
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

    /** @return array<string, mixed> what they say of the note that has come, as arguments for it */
    public function forNote(): array
    {
        $signs = $this->signs;
        $this->signs = [];

        return $signs === [] ? [] : [
            'articulations' => array_values(array_intersect_key(self::ARTICULATIONS, array_flip($signs))),
            'fermata' => in_array('fermata', $signs, true),
            'breath' => in_array('breath', $signs, true),
            'technical' => self::technical($signs),
        ];
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
        );
    }
}
