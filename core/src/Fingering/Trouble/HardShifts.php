<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Trouble;

use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Placement;

/** Shifts under a slur, far ones with nothing to guide them, and the first one after a rest. */
final class HardShifts implements Detector
{
    /** A third, in half steps. */
    private const THIRD = 4;

    public function find(PlayedLine $line): array
    {
        return array_merge([], ...array_map(fn (array $shift): array => $this->look(...$shift), $line->shifts()));
    }

    /** @return list<TroubleSpot> */
    private function look(int $from, PlayedNote $before, PlayedNote $note): array
    {
        $to = Instrument::positionName($note->grip->position);
        $drill = "There and back, slowly: {$before->name()} to {$note->name()}, with the finger of the first note leading the way.";
        $guided = $before->stop()->finger === 0 || $before->stop()->placement === Placement::Harmonic || ($before->stop()->finger === $note->stop()->finger && $before->stop()->string === $note->stop()->string);
        $far = abs($note->grip->hand - $from) > self::THIRD;

        if ($before->grip->position === $note->grip->position) {
            // The hand crawls a half step inside one position: no shift to a student.
            return [];
        }

        return match (true) {
            $note->step->afterRest() => [new TroubleSpot('shift-after-rest', "{$from}/{$note->grip->hand}", 0.9, $note, "The hand goes to {$to} in the rest before {$note->name()}: it has to be found in silence.", 'Use the rest: set the hand, hear the note inwardly, then play.')],
            $note->step->slurred => [new TroubleSpot('shift-in-slur', "{$from}/{$note->grip->hand}", 1.8, $note, "The hand shifts to {$to} under a slur, from {$before->name()} to {$note->name()}.", $drill)],
            $far && ! $guided => [new TroubleSpot('shift-far', "{$from}/{$note->grip->hand}", 1.6, $note, 'The hand goes '.abs($note->grip->hand - $from)." half steps to {$to} for {$note->name()}, with no finger or open string to guide it.", $drill)],
            default => [],
        };
    }
}
