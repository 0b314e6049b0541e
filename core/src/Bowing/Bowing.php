<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\Line;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\PlayingOrder;
use UprightPencil\Core\Score\TempoMap;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;

/** The door to this folder: a line's strokes, directions and findings. */
final readonly class Bowing
{
    /**
     * @param  BowedLine  $line  as it is to be played: planned, or only followed
     * @param  BowMarks  $marks  all marks that it follows
     * @param  list<BowingFinding>  $findings
     * @param  float  $cost  points of the plan
     */
    private function __construct(
        public BowedLine $line,
        public BowMarks $marks,
        public array $findings,
        public float $cost,
    ) {}

    /**
     * @param  BowMarks  $marks  printed and decided
     * @param  bool  $planning  false: follow the marks only, plan nothing
     */
    public static function of(
        Part $part,
        Line $line,
        BowMarks $marks,
        BowingSchool $school,
        TempoMap $tempo,
        ClassProfile $profile,
        Instrument $instrument,
        int $resolution,
        bool $planning = true,
    ): self {
        $beats = new Beats($part, $resolution);
        $follower = new BowFollower(PlayingOrder::of($part));
        $strokes = StrokeReader::read($part, $line, $marks);
        $opening = Opening::of($strokes, $marks, $beats);
        $followed = $follower->follow($strokes, $marks, $opening);

        $plan = (new Planner($school, $beats, $tempo, $profile, $instrument))->plan($strokes, $marks);
        [$planned, $plannedMarks] = self::settled($follower, $part, $line, $marks->and($plan->marks), $strokes);
        $findings = Rules::findings(new BowingCase($part, $beats, $followed, $planned, $plan));

        return $planning
            ? new self($planned, $plannedMarks, $findings, $plan->cost)
            : new self($followed, $marks, array_map(self::unmended(...), $findings), $plan->cost);
    }

    private static function unmended(BowingFinding $finding): BowingFinding
    {
        return new BowingFinding($finding->code, $finding->event, $finding->message, $finding->fixes);
    }

    /**
     * Follows a plan and, where a repeat or jump would then turn the bow round, takes it back at that place.
     *
     * @param  list<Stroke>  $strokes
     * @return array{BowedLine, BowMarks}
     */
    private static function settled(BowFollower $follower, Part $part, Line $line, BowMarks $marks, array $strokes): array
    {
        $strokes = $marks->actions === [] ? $strokes : StrokeReader::read($part, $line, $marks);
        $opening = $strokes === [] ? null : BowFollower::lock($strokes[0]->first(), $marks);
        for ($round = 0; ; $round++) {
            $bowed = $follower->follow($strokes, $marks, $opening ?? BowSign::Down);
            $locks = self::jumpLocks($bowed);
            if ($locks->directions === [] || $round === 4) {
                return [$bowed, $marks];
            }
            $marks = $marks->and($locks);
        }
    }

    private static function jumpLocks(BowedLine $bowed): BowMarks
    {
        $locks = [];
        foreach ($bowed->played as $played) {
            $first = $bowed->firstPass[$played->stroke];
            if ($played->jumped && $first->direction !== $played->direction) {
                $locks[$bowed->strokes[$played->stroke]->first()->first()->id] = $first->direction;
            }
        }

        return new BowMarks($locks);
    }
}
