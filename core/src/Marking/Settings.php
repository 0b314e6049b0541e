<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Bowing\Terms\BowTerms;
use UprightPencil\Core\Fingering\Terms\Terms;
use UprightPencil\Core\Score\OrderOfPerformance;
use UprightPencil\Core\Score\TempoMap;
use UprightPencil\Core\Strings\BowingSchool;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Strings\WrongProfile;

/** How a part is to be worked out. */
final readonly class Settings
{
    public ClassProfile $profile;

    /** What is wanted of the bow. */
    public BowingSchool $school;

    public HouseStyle $style;

    /** What of the piece will be played. */
    public OrderOfPerformance $order;

    /**
     * @param  Instrument|null  $instrument  null: guessed
     * @param  BowingSchool|null  $school  null: the class’s
     * @param  float  $tempo  quarters a minute where the file has none
     * @param  int  $alternatives  other fingerings wanted for each phrase
     * @param  bool  $reasons  say of every written finger and shift why it is so; it takes as long again as the fingering
     * @param  bool  $planning  false: the bow is followed but nothing is planned
     * @param  ClassProfile|null  $players  what some players of the section were taught, where that is something else: their fingers, over the bows of the section
     * @param  float|null  $startingAt  quarters a minute that somebody chose for the beginning, whatever the file says; the rest in proportion
     *
     * @throws WrongProfile when the profile weighs a term that there is not
     */
    public function __construct(
        ?ClassProfile $profile = null,
        public ?Instrument $instrument = null,
        ?BowingSchool $school = null,
        public float $tempo = TempoMap::DEFAULT_TEMPO,
        public bool $planning = true,
        public bool $bowing = true,
        public bool $fingering = true,
        public int $alternatives = 0,
        ?HouseStyle $style = null,
        public bool $reasons = false,
        ?OrderOfPerformance $order = null,
        public ?ClassProfile $players = null,
        public ?float $startingAt = null,
    ) {
        $this->order = $order ?? OrderOfPerformance::asPrinted();
        $this->style = $style ?? HouseStyle::usual();
        $this->profile = $profile ?? ClassProfile::of(Level::SecondYear);
        $this->school = $school ?? $this->profile->bowing;
        $terms = [...Terms::names(), ...BowTerms::names()];
        $unknown = array_diff([...$this->profile->weighed(), ...$players?->weighed() ?? []], $terms);
        if ($unknown !== []) {
            throw new WrongProfile('There is no cost term “'.implode('”, “', $unknown).'” to weigh; there are '.implode(', ', $terms).'.');
        }
        $ofTheBow = array_diff([...$this->profile->weighedByPace(), ...$players?->weighedByPace() ?? []], Terms::names());
        if ($ofTheBow !== []) {
            throw new WrongProfile('Only terms of the hand are weighed otherwise in slow or fast music, not “'.implode('”, “', $ofTheBow).'”.');
        }
    }

    /** The same for another instrument. */
    public function for(Instrument $instrument): self
    {
        return new self($this->profile, $instrument, $this->school, $this->tempo, $this->planning, $this->bowing, $this->fingering, $this->alternatives, $this->style, $this->reasons, $this->order, $this->players, $this->startingAt);
    }

    /** What the hands of those players are worked out from. */
    public function forPlayers(): self
    {
        return new self($this->players ?? $this->profile, $this->instrument, $this->school, $this->tempo, $this->planning, $this->bowing, $this->fingering, $this->alternatives, $this->style, $this->reasons, $this->order, startingAt: $this->startingAt);
    }
}
