<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Terms;

use UprightPencil\Core\Fingering\Grips\Grip;
use UprightPencil\Core\Fingering\Line\Approach;
use UprightPencil\Core\Fingering\Line\Stance;
use UprightPencil\Core\Fingering\Line\Step;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\OpenStrings;

/** All cost terms, in one visible list. */
final readonly class Terms
{
    /** @var list<class-string<Term>> */
    private const ALL = [FingerPlacement::class, FourthFinger::class, OpenString::class, PrintedFinger::class, HandPosition::class, Untaught::class, Shift::class, StringCrossing::class, SameFinger::class, LeavingHand::class, Holding::class, Linked::class, OpenOrFour::class, FingerSpacing::class];

    /** Points that are too few to speak of. */
    private const FELT = 0.05;

    /**
     * @param  list<array{StandTerm, float, float}>  $stand  each with its weight, and its weight where notes come fast
     * @param  list<array{MoveTerm, float, float}>  $move
     * @param  TermPoints|null  $known  what the terms came to before under other weights
     */
    private function __construct(
        private array $stand,
        private array $move,
        private ?TermPoints $known,
    ) {}

    public static function for(Instrument $instrument, ClassProfile $profile, ?TermPoints $known = null): self
    {
        $upper = $instrument === Instrument::Violin || $instrument === Instrument::Viola;
        $stand = [
            new FingerPlacement($profile->handSize, $profile->lowFirst, ! $upper),
            new FourthFinger($upper ? $profile->level->fourthFingerCost() : 0.0),
            new OpenString($profile->vibrato, $instrument),
            new PrintedFinger,
            new HandPosition(! $upper, $profile->level->positionFactor(), $instrument === Instrument::Cello),
            new Untaught,
        ];
        if ($upper || $profile->openStrings === OpenStrings::Four) {
            // Only violin and viola have the open string's note under the fourth finger of first position.
            $stand[] = new OpenOrFour($profile->openStrings, $profile->vibrato);
        }
        $move = [
            new Shift(! $upper),
            new StringCrossing,
            new SameFinger($profile->chromatic),
            new LeavingHand,
            new Holding,
            new Linked,
        ];
        if ($instrument !== Instrument::Bass) {
            // A bass hand stays in its frame: there is no spacing to judge.
            $move[] = new FingerSpacing($instrument === Instrument::Cello);
        }

        return new self(
            array_map(static fn (StandTerm $term): array => [$term, $profile->weight($term->name(), false), $profile->weight($term->name(), true)], $stand),
            array_map(static fn (MoveTerm $term): array => [$term, $profile->weight($term->name(), false), $profile->weight($term->name(), true)], $move),
            $known,
        );
    }

    /** @return list<string> */
    public static function names(): array
    {
        return array_keys(self::sentences());
    }

    /** @return array<string, string> the name of each term, and what it is about */
    public static function sentences(): array
    {
        $sentences = [];
        foreach (self::ALL as $term) {
            $sentences[$term::name()] = $term::sentence();
        }

        return $sentences;
    }

    /** @return float points */
    public function standing(Grip $grip, Stance $stance): float
    {
        $cost = 0.0;
        foreach ($this->stand as [$term, $weight, $fast]) {
            $cost += ($stance->fast ? $fast : $weight) * $term->cost($grip, $stance);
        }

        return $cost;
    }

    /** @return float points */
    public function moving(Grip $from, Grip $to, Approach $approach): float
    {
        $cost = 0.0;
        if ($this->known !== null) {
            foreach ($this->known->moves[$approach->signature()][$from->id][$to->id] ??= $this->movePoints($from, $to, $approach) as $place => $points) {
                $cost += $this->move[$place][$approach->fast ? 2 : 1] * $points;
            }

            return $cost;
        }
        foreach ($this->move as [$term, $weight, $fast]) {
            $cost += ($approach->fast ? $fast : $weight) * $term->cost($from, $to, $approach);
        }

        return $cost;
    }

    /** @return array<int, float> place of the term => points, unweighed, of those that charge anything */
    private function movePoints(Grip $from, Grip $to, Approach $approach): array
    {
        $charged = [];
        foreach ($this->move as $place => [$term]) {
            $points = $term->cost($from, $to, $approach);
            if ($points !== 0.0) {
                $charged[$place] = $points;
            }
        }

        return $charged;
    }

    /** @return array<string, float> term => points of going to a grip and standing in it */
    public function charges(?Grip $from, Grip $to, Step $step): array
    {
        $charges = $from === null ? [] : $this->moveCharges($from, $to, $step->approach);
        foreach ($this->stand as [$term, $weight, $fast]) {
            $charges[$term->name()] = ($charges[$term->name()] ?? 0.0) + ($step->stance->fast ? $fast : $weight) * $term->cost($to, $step->stance);
        }

        return $charges;
    }

    /** @return array<string, float> term => points of going to a grip */
    public function moveCharges(Grip $from, Grip $to, Approach $approach): array
    {
        $charges = [];
        foreach ($this->move as [$term, $weight, $fast]) {
            $charges[$term->name()] = ($approach->fast ? $fast : $weight) * $term->cost($from, $to, $approach);
        }

        return $charges;
    }

    /**
     * What is charged for at an event, in words of this case.
     *
     * @return array<string, Fact> term => what it charges for
     */
    public function facts(?Grip $from, Grip $to, Step $step): array
    {
        $facts = [];
        foreach ($this->move as [$term, $weight, $fast]) {
            if ($from !== null && ($step->approach->fast ? $fast : $weight) * $term->cost($from, $to, $step->approach) > self::FELT) {
                $facts[$term->name()] = $term->fact($from, $to, $step->approach);
            }
        }
        foreach ($this->stand as [$term, $weight, $fast]) {
            ($step->stance->fast ? $fast : $weight) * $term->cost($to, $step->stance) > self::FELT && $facts[$term->name()] = $term->fact($to, $step->stance);
        }

        return $facts;
    }
}
