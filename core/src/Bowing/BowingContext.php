<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

use UprightPencil\Core\Score\Dynamics;
use UprightPencil\Core\Score\Jumps;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\TempoMap;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;

/** Everything about a part and its class that bowing it depends on, made once. */
final readonly class BowingContext
{
    private function __construct(
        public Part $part,
        public Beats $beats,
        public BowNeed $need,
        public SlurLoad $load,
        public ChangePlace $changes,
        public LeftHand $hand,
        public BowTravel $travel,
        public Planner $planner,
        public Jumps $jumps,
        public float $retakeSeconds,
        public Level $level,
    ) {}

    /** @param int $resolution ticks in a quarter */
    public static function of(
        Part $part,
        int $resolution,
        TempoMap $tempo,
        ClassProfile $profile,
        Instrument $instrument,
        BowingSchool $school,
        LeftHand $hand = new LeftHand,
    ): self {
        $beats = new Beats($part, $resolution);
        $need = new BowNeed($tempo, Dynamics::of($part), $beats, $profile, $instrument);
        $load = new SlurLoad($need, $hand, $beats, $profile->level);
        $changes = new ChangePlace($beats, $need);
        $circle = $profile->retakeSeconds($instrument);

        return new self(
            $part,
            $beats,
            $need,
            $load,
            $changes,
            $hand,
            new BowTravel($need, $hand, $profile, $instrument),
            new Planner($school, $beats, $need, new WayFinder($need, $load, $changes, $profile), $circle),
            Jumps::of($part),
            $circle,
            $profile->level,
        );
    }
}
