<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Terms;

use UprightPencil\Core\Fingering\Grips\Grip;
use UprightPencil\Core\Fingering\Grips\Stop;
use UprightPencil\Core\Fingering\Line\Stance;
use UprightPencil\Core\Strings\HandSize;
use UprightPencil\Core\Strings\LowFirst;
use UprightPencil\Core\Strings\Placement;

final class FingerPlacement implements StandTerm
{
    /** “placement finger” => points; what is not listed is free. */
    private const COSTS = ['low 1' => 0.3, 'low 3' => 0.6, 'high 3' => 0.2, 'low 4' => 0.3, 'extended 1' => 0.9, 'extended 2' => 0.5, 'extended 3' => 1.0, 'extended 4' => 1.3, 'harmonic 3' => 0.9, 'harmonic 4' => 0.9];

    /** The octave harmonic on cello and bass, with the third finger as everybody plays it. */
    private const RINGING = 0.1;

    /** Low fingers, and the cellist's extension back, belong to first position; higher up the hand itself goes lower. By finger. */
    private const LOW_ABOVE_FIRST = [1 => 0.7, 4 => 0.2];

    /** Harmonics other than the octave speak less surely, and not where the finger lies. */
    private const HIGH_HARMONIC = 6.0;

    /** On a lower string the note above is there as well, stopped and with vibrato. */
    private const HARMONIC_BELOW_TOP = 2.0;

    /** A finger that plays another letter than its own. */
    private const STRAIN = 1.1;

    /** What a school that moves the hand instead pays for reaching back with the first finger. */
    private const REACHED_BACK = 1.8;

    public function __construct(
        private readonly HandSize $handSize,
        private readonly LowFirst $lowFirst = LowFirst::Reach,
        private readonly bool $harmonicsRing = false,
    ) {}

    public static function name(): string
    {
        return 'placement';
    }

    public static function sentence(): string
    {
        return 'A finger is out of its usual place, stretched, or plays a letter that belongs to its neighbour.';
    }

    public function fact(Grip $grip, Stance $stance): Fact
    {
        foreach ($grip->stops as $stop) {
            if ($stop->strain > 0) {
                return new Fact('a finger on its neighbour’s letter', 'fingers on their neighbours’ letters');
            }
            if ($stop->placement !== Placement::Regular && $stop->placement !== Placement::Open) {
                return $stop->placement === Placement::Harmonic
                    ? new Fact('a harmonic')
                    : new Fact(($stop->placement === Placement::Extended ? 'an ' : 'a ')."{$stop->placement->value} {$stop->finger}");
            }
        }

        return new Fact('a finger out of place', 'fingers out of place');
    }

    public function cost(Grip $grip, Stance $stance): float
    {
        $cost = 0.0;
        foreach ($grip->stops as $stop) {
            $cost += $this->of($stop, $stance);
            $lowered = $stop->placement === Placement::Low || ($stop->placement === Placement::Extended && $stop->finger === 1);
            $cost += $lowered && $grip->position > 1 ? self::LOW_ABOVE_FIRST[$stop->finger] ?? 0.0 : 0.0;
        }

        return $cost;
    }

    private function of(Stop $stop, Stance $stance): float
    {
        $rings = $this->harmonicsRing && $stop->placement === Placement::Harmonic && $stop->finger === 3;
        $cost = $rings ? self::RINGING : self::COSTS["{$stop->placement->value} {$stop->finger}"] ?? 0.0;
        if ($stop->placement === Placement::Extended) {
            $cost *= match ($this->handSize) {
                HandSize::Small => 2.2,
                HandSize::Usual => 1.0,
                HandSize::Large => 0.6,
            };
            $cost *= $stance->seconds < 0.25 ? 1.3 : 1.0;
        }

        if ($stop->placement === Placement::Harmonic) {
            $cost += ($stop->place() === $stop->offset ? 0.0 : self::HIGH_HARMONIC) + ($stop->isOnTopString() ? 0.0 : self::HARMONIC_BELOW_TOP);
        }
        if ($this->lowFirst === LowFirst::Move && $stop->finger === 1 && ($stop->placement === Placement::Low || $stop->placement === Placement::Extended)) {
            $cost += self::REACHED_BACK;
        }

        return $cost + self::STRAIN * $stop->strain;
    }
}
