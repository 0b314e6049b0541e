<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Bowing\Beats;
use UprightPencil\Core\Score\Dynamics;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Score\TempoMap;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\InstrumentGuess;
use UprightPencil\Core\Strings\SoundingPitch;

/** One part with all that has to be known to work it out. */
final readonly class MarkingCase
{
    private function __construct(
        public Part $part,
        public int $resolution,
        public PartDecisions $decisions,
        public Settings $settings,
        public Instrument $instrument,
        public SoundingPitch $sounding,
        public TempoMap $tempo,
        public Beats $beats,
        public Dynamics $dynamics,
    ) {}

    public static function of(Score $score, Part $part, PartDecisions $decisions, Settings $settings): self
    {
        $instrument = $settings->instrument ?? InstrumentGuess::of($part)->instrument;

        return new self(
            $part,
            $score->resolution,
            $decisions,
            $settings,
            $instrument,
            SoundingPitch::of($part, $instrument),
            TempoMap::of($score, $settings->tempo),
            new Beats($part, $score->resolution),
            Dynamics::of($part),
        );
    }

    /** Printed number of a measure, by its index. */
    public function number(int $measure): string
    {
        return $this->part->measures[$measure]->number;
    }

    /** Ticks of a full first measure. */
    public function measureTicks(): int
    {
        return ($this->part->measures[0] ?? null)?->meter?->ticks($this->resolution) ?? 4 * $this->resolution;
    }
}
