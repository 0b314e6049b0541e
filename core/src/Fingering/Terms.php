<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering;

use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\OpenStrings;

/** All cost terms, in one visible list. */
final readonly class Terms
{
    /**
     * @param  list<array{StandTerm, float}>  $stand  each with its weight
     * @param  list<array{MoveTerm, float}>  $move
     */
    private function __construct(
        private array $stand,
        private array $move,
    ) {}

    public static function for(Instrument $instrument, ClassProfile $profile): self
    {
        $upper = $instrument === Instrument::Violin || $instrument === Instrument::Viola;
        $stand = [
            new Terms\FingerPlacement($profile->handSize, $profile->lowFirst, ! $upper),
            new Terms\FourthFinger($upper ? $profile->level->fourthFingerCost() : 0.0),
            new Terms\OpenString($profile->vibrato),
            new Terms\PrintedFinger,
            new Terms\HandPosition(! $upper, $profile->level->positionFactor()),
            new Terms\Untaught,
        ];
        $move = [
            new Terms\Shift(! $upper),
            new Terms\StringCrossing,
            new Terms\SameFinger($profile->chromatic),
            new Terms\LeavingHand,
            new Terms\Holding,
            new Terms\Linked,
        ];
        if ($upper || $profile->openStrings === OpenStrings::Four) {
            // Only violin and viola have the open string's note under the fourth finger of first position.
            $move[] = new Terms\OpenOrFour($profile->openStrings);
        }
        if ($instrument !== Instrument::Bass) {
            // A bass hand stays in its frame: there is no spacing to judge.
            $move[] = new Terms\FingerSpacing($instrument === Instrument::Cello);
        }

        return new self(
            array_map(static fn (StandTerm $term): array => [$term, $profile->weight($term->name())], $stand),
            array_map(static fn (MoveTerm $term): array => [$term, $profile->weight($term->name())], $move),
        );
    }

    /** @return float points */
    public function standing(Grip $grip, Step $step): float
    {
        $cost = 0.0;
        foreach ($this->stand as [$term, $weight]) {
            $cost += $weight * $term->cost($grip, $step);
        }

        return $cost;
    }

    /** @return float points */
    public function moving(Grip $from, Grip $to, Step $step): float
    {
        $cost = 0.0;
        foreach ($this->move as [$term, $weight]) {
            $cost += $weight * $term->cost($from, $to, $step);
        }

        return $cost;
    }

    /** @return array<string, float> term => points of going to a grip and standing in it */
    public function charges(?Grip $from, Grip $to, Step $step): array
    {
        $charges = $from === null ? [] : $this->moveCharges($from, $to, $step);
        foreach ($this->stand as [$term, $weight]) {
            $charges[$term->name()] = ($charges[$term->name()] ?? 0.0) + $weight * $term->cost($to, $step);
        }

        return $charges;
    }

    /** @return array<string, float> term => points of going to a grip */
    public function moveCharges(Grip $from, Grip $to, Step $step): array
    {
        $charges = [];
        foreach ($this->move as [$term, $weight]) {
            $charges[$term->name()] = $weight * $term->cost($from, $to, $step);
        }

        return $charges;
    }

    /** What a term is about. */
    public function sentence(string $name): string
    {
        foreach ([...$this->stand, ...$this->move] as [$term]) {
            if ($term->name() === $name) {
                return $term->sentence();
            }
        }

        return '';
    }
}
