<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

use UprightPencil\Core\Bowing\Marks\BowMarks;
use UprightPencil\Core\Bowing\Strokes\BowNeed;
use UprightPencil\Core\Bowing\Strokes\ChangePlace;
use UprightPencil\Core\Bowing\Strokes\LineReading;
use UprightPencil\Core\Bowing\Strokes\PartTime;
use UprightPencil\Core\Bowing\Strokes\Plucked;
use UprightPencil\Core\Bowing\Strokes\Stroke;
use UprightPencil\Core\Bowing\Strokes\StrokeReader;
use UprightPencil\Core\Bowing\Travel\BowGrid;
use UprightPencil\Core\Score\Beats;
use UprightPencil\Core\Score\Direction;
use UprightPencil\Core\Score\DirectionKind;
use UprightPencil\Core\Score\Dynamics;
use UprightPencil\Core\Score\Jumps;
use UprightPencil\Core\Score\Line;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\PlayingOrder;
use UprightPencil\Core\Score\TempoMap;
use UprightPencil\Core\Strings\BowingSchool;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;

/** Everything about a part and its class that bowing it depends on, made once for all its lines. */
final readonly class BowingContext
{
    /** @param array<int, true> $letters measures with a rehearsal letter, by index */
    private function __construct(
        public Part $part,
        public PartTime $time,
        public Jumps $jumps,
        public PlayingOrder $order,
        public ClassProfile $profile,
        public Instrument $instrument,
        public BowingSchool $school,
        public ?TrialMemory $trials,
        public array $letters,
        public BowGrid $grid,
    ) {}

    public static function of(Part $part, Beats $beats, TempoMap $tempo, Dynamics $dynamics, ClassProfile $profile, Instrument $instrument, BowingSchool $school, ?TrialMemory $trials = null): self
    {
        $need = new BowNeed($tempo, $dynamics, $beats, $profile, $instrument);

        return new self(
            $part,
            new PartTime($beats, Plucked::of($part, $profile->pizzicatoOnly), $need, new ChangePlace($beats, $need)),
            Jumps::of($part),
            PlayingOrder::of($part),
            $profile,
            $instrument,
            $school,
            $trials,
            self::letters($part),
            new BowGrid($profile->retakeSeconds($instrument)),
        );
    }

    /** The same for one line; a passage knows of no repeat that leads out of it. */
    public function forLine(Line $line): self
    {
        return $line->passage === null ? $this : new self($this->part, $this->time, $this->jumps->within(...$line->passage), PlayingOrder::within($this->jumps, ...$line->passage), $this->profile, $this->instrument, $this->school, $this->trials, $this->letters, $this->grid);
    }

    /** @return array<int, true> */
    private static function letters(Part $part): array
    {
        return array_fill_keys(array_keys(array_filter($part->measures, static fn (Measure $measure): bool => array_filter($measure->directions(), static fn (Direction $direction): bool => $direction->has(DirectionKind::Rehearsal)) !== [])), true);
    }

    public function reading(Line $line): LineReading
    {
        return LineReading::of($line, $this->jumps);
    }

    /**
     * @param  Line  $line  a whole line or a stretch of it
     * @param  LineReading  $reading  of the whole line
     * @return list<Stroke>
     */
    public function strokes(Line $line, LineReading $reading, BowMarks $marks): array
    {
        return StrokeReader::read($line, $reading, $marks, $this->time);
    }
}
