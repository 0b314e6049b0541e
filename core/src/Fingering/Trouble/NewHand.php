<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Trouble;

use UprightPencil\Core\Strings\Instrument;

/** A long stretch in a hand that the class learned last. */
final class NewHand implements Detector
{
    private const NOTES = 12;

    public function find(PlayedLine $line): array
    {
        $earlier = $line->profile->before()?->positions($line->instrument);
        if ($earlier === null) {
            return [];
        }
        $spots = $run = [];
        foreach ($line->notes as $note) {
            $isNew = ! in_array($note->grip->position, $earlier, true);
            if ($note->stop()->finger !== 0 && ($isNew ? ($run[0] ?? $note)->grip->hand !== $note->grip->hand : true)) {
                $run = [];
            }
            if ($isNew && $note->stop()->finger !== 0) {
                $run[] = $note;
            }
            if (count($run) === self::NOTES) {
                $spots[] = $this->spot($line, $run[0]);
            }
        }

        return $spots;
    }

    private function spot(PlayedLine $line, PlayedNote $first): TroubleSpot
    {
        $position = Instrument::positionName($first->grip->position);

        return new TroubleSpot('new-hand', (string) $first->grip->hand, 1.3, $first, "From {$first->name()} on the hand stays in {$position} for a long time, and this class learned it last.", "The notes of {$position} as a scale, then all notes of the passage in one hand without rhythm.");
    }
}
