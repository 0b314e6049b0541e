<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Strokes;

use UprightPencil\Core\Bowing\Marks\BowMarks;
use UprightPencil\Core\Score\Beats;
use UprightPencil\Core\Score\Dynamics;
use UprightPencil\Core\Score\TempoMap;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;

/** How much bow a stroke wants: its seconds at the speed of its loudness. */
final class BowNeed
{
    /** Comfortable seconds of one whole bow, second-year violin, from pp to ff (`bowing.md`, “Bow time and bow place”). */
    private const WHOLE_BOW_SECONDS = [8.0, 6.5, 5.5, 4.5, 3.2, 2.2];

    /** The shortest stroke moves the bow at least this much. */
    private const LEAST = 0.04;

    /** A dotted note sounds for about half of its value; so does the bow move. */
    private const DETACHED = 0.55;

    private const ACCENTED = 1.25;

    /** A tremolo stays in one place and uses next to no bow. */
    private const TREMOLO = 0.1;

    /** A stroke may last a third longer than is comfortable: a slow bow is a lesson. Beyond that the class runs out of bow. */
    public const MOST = 4 / 3;

    /** A fermata holds its note about half as long again (an estimate of ours; nobody counts it). */
    private const FERMATA = 0.5;

    private readonly float $length;

    /** @var array<string, float> seconds by start and end, which are asked for many times */
    private array $seconds = [];

    /** @var array<string, float> bows a second by start and end */
    private array $speeds = [];

    public function __construct(
        private readonly TempoMap $tempo,
        private readonly Dynamics $dynamics,
        private readonly Beats $beats,
        ClassProfile $profile,
        Instrument $instrument,
    ) {
        $this->length = $profile->bowLength($instrument);
    }

    public function seconds(Stroke $stroke): float
    {
        return $this->seconds[self::key($stroke)] ??= $this->added($stroke);
    }

    /** Strokes that begin and end together last as long. */
    private static function key(Stroke $stroke): string
    {
        // Not one number: numbers with the same low bits lie in one place of a table, and to find one takes as long as there are others.
        return "{$stroke->start} {$stroke->end}";
    }

    private function added(Stroke $stroke): float
    {
        $seconds = 0.0;
        $beat = $this->beats->resolution;
        for ($tick = $stroke->start; $tick < $stroke->end; $tick += $beat) {
            $seconds += $this->tempo->seconds(min($beat, $stroke->end - $tick), $tick);
        }
        foreach ($stroke->events as $event) {
            $seconds += $event->first()->fermata ? self::FERMATA * $this->tempo->seconds(min($event->end(), $stroke->end) - max($event->start, $stroke->start), $event->start) : 0.0;
        }

        return $seconds;
    }

    /** Seconds of silence before a stroke. */
    public function gapSeconds(Stroke $stroke): float
    {
        return $stroke->gap === 0 ? 0.0 : $this->tempo->seconds($stroke->gap, max(0, $stroke->start - $stroke->gap));
    }

    /**
     * @return float bows: 1 is a whole bow; more than 1 when the stroke lasts longer than one
     */
    public function amount(Stroke $stroke, BowMarks $marks): float
    {
        $event = $stroke->onBeat();
        $asked = $marks->amounts[(string) $stroke->id()] ?? null;
        if ($asked !== null) {
            return $asked->bows();
        }
        if ($stroke->isTremolo()) {
            return self::TREMOLO;
        }
        $bows = $this->seconds($stroke) * $this->speed($stroke);
        $bows *= $this->beats->isAccented($event) ? self::ACCENTED : 1.0;

        return max(self::LEAST, $stroke->isOneNote() && ($stroke->type?->detaches() === true || $stroke->isDotted()) ? $bows * self::DETACHED : $bows);
    }

    /** How many times longer than comfortable a stroke is, 1 or less when it is comfortable. */
    public function excess(Stroke $stroke): float
    {
        return $stroke->isTremolo() ? 0.0 : $this->seconds($stroke) * $this->speed($stroke);
    }

    /** Bows a second, as the loudness at its start, middle and end asks. */
    private function speed(Stroke $stroke): float
    {
        return $this->speeds[self::key($stroke)] ??= $this->speedFrom($stroke->start, $stroke->end);
    }

    private function speedFrom(int $start, int $end): float
    {
        $sum = 0.0;
        foreach ([$start, intdiv($start + $end, 2), max($start, $end - 1)] as $tick) {
            $sum += 1 / $this->wholeBow($this->dynamics->at($tick));
        }

        return $sum / 3;
    }

    /** Seconds of a whole bow at a degree of loudness. */
    public function wholeBow(float $degree): float
    {
        $low = (int) floor(min(4.999, max(0.0, $degree)));
        $share = $degree - $low;

        return $this->length * (self::WHOLE_BOW_SECONDS[$low] * (1 - $share) + self::WHOLE_BOW_SECONDS[$low + 1] * $share);
    }

    public function degree(Stroke $stroke): float
    {
        return $this->dynamics->at($stroke->start);
    }
}
