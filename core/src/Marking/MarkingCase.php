<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Bowing\BowingContext;
use UprightPencil\Core\Bowing\TrialMemory;
use UprightPencil\Core\Fingering\Search\Solver;
use UprightPencil\Core\Score\Beats;
use UprightPencil\Core\Score\Dynamics;
use UprightPencil\Core\Score\Event;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Score\TempoMap;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\InstrumentGuess;
use UprightPencil\Core\Strings\SoundingPitch;
use UprightPencil\Core\Strings\TempoComfort;

/** One part with all that has to be known to work it out, read once; for players with a profile of their own, that case beside it. */
final readonly class MarkingCase
{
    private function __construct(
        public Part $part,
        public Settings $settings,
        public Instrument $instrument,
        public SoundingPitch $sounding,
        public TempoMap $tempo,
        public Beats $beats,
        public BowingContext $bowing,
        public Solver $solver,
        public ?self $edition = null,
    ) {}

    public static function of(Score $score, Part $part, Settings $settings, ?TrialMemory $trials = null): self
    {
        $instrument = $settings->instrument ?? InstrumentGuess::of($part)->instrument;
        $sounding = SoundingPitch::of($part, $instrument);
        $tempo = TempoMap::of($score, $settings->tempo);
        $tempo = $settings->startingAt === null ? $tempo : $tempo->startingAt($settings->startingAt);
        $beats = new Beats($part, $score->resolution);
        $dynamics = Dynamics::of($part);

        return new self(
            $part,
            $settings,
            $instrument,
            $sounding,
            $tempo,
            $beats,
            BowingContext::of($part, $beats, $tempo, $dynamics, $settings->profile, $instrument, $settings->school, $trials),
            new Solver($part, $instrument, $settings->profile, $sounding, $settings->profile->tempo === TempoComfort::Usual ? $tempo : $tempo->startingAt($tempo->first() * $settings->profile->tempo->factor()), $dynamics),
            $settings->players === null ? null : self::of($score, $part, $settings->forPlayers(), $trials),
        );
    }

    public function place(Event $event): Place
    {
        return new Place($this->part->measures[$event->measure]->number, $this->beats->beat($event), $event->start);
    }
}
