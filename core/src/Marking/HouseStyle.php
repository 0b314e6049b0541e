<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Fingering\Fingering;
use UprightPencil\Core\Strings\Placement;

/** How marks are written down. It never touches a decision. */
final class HouseStyle
{
    /** Open string or fourth finger, as the player likes. */
    public const CHOICE = '0/4';

    private const ROMAN = ['½' => 0.5, 'I' => 1.0, 'II' => 2.0, 'II½' => 2.5, 'III' => 3.0, 'III½' => 3.5, 'IV' => 4.0, 'V' => 5.0, 'V½' => 5.5, 'VI' => 6.0, 'VI½' => 6.5, 'VII' => 7.0];

    /** “2”, “L2”, “H3”, “x4”, “0”; a harmonic has a ring, “4°”. */
    public static function finger(int $finger, Placement $placement): string
    {
        return match ($placement) {
            Placement::Low => "L{$finger}",
            Placement::High => "H{$finger}",
            Placement::Extended => "x{$finger}",
            Placement::Harmonic => "{$finger}°",
            default => (string) $finger,
        };
    }

    /** “III”; half position is “½”. */
    public static function position(Fingering $fingering): string
    {
        return (string) (array_search($fingering->position, self::ROMAN, true) ?: $fingering->position);
    }
}
