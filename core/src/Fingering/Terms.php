<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering;

use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;

/** All cost terms, in one visible list. */
final readonly class Terms
{
    /**
     * @param  list<StandTerm>  $stand
     * @param  list<MoveTerm>  $move
     * @param  array<string, float>  $weights
     */
    private function __construct(
        public array $stand,
        public array $move,
        private array $weights,
    ) {}

    public static function for(Instrument $instrument, ClassProfile $profile): self
    {
        $upper = $instrument === Instrument::Violin || $instrument === Instrument::Viola;
        $stand = [
            new Terms\FingerPlacement($profile->handSize),
            new Terms\FourthFinger($upper ? $profile->level->fourthFingerCost() : 0.0),
            new Terms\OpenString($profile->vibrato),
            new Terms\HandPosition,
            new Terms\Untaught,
        ];
        $move = [
            new Terms\Shift,
            new Terms\StringCrossing,
            new Terms\SameFinger,
            new Terms\OpenOrFour($profile->openStrings),
        ];
        if ($upper) {
            // Cello and bass frames give every finger its half step; there is no spacing to judge.
            $move[] = new Terms\FingerSpacing;
        }
        $weights = [];
        foreach ([...$stand, ...$move] as $term) {
            $weights[$term->name()] = $profile->weight($term->name());
        }

        return new self($stand, $move, $weights);
    }

    /** @return float points */
    public function standing(Grip $grip, Step $step): float
    {
        $cost = 0.0;
        foreach ($this->stand as $term) {
            $cost += $this->weights[$term->name()] * $term->cost($grip, $step);
        }

        return $cost;
    }

    /** @return float points */
    public function moving(Grip $from, Grip $to, Step $step): float
    {
        $cost = 0.0;
        foreach ($this->move as $term) {
            $cost += $this->weights[$term->name()] * $term->cost($from, $to, $step);
        }

        return $cost;
    }
}
