<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Trouble;

use UprightPencil\Core\Strings\Placement;

/** One finger low here and in its usual place a few notes later: the hand mixes them up. */
final class LowAndRegular implements Detector
{
    private const NOTES = 5;

    public function find(PlayedLine $line): array
    {
        $spots = [];
        foreach ($line->notes as $place => $note) {
            $other = $note->stop()->placement === Placement::Harmonic ? null : $this->otherPlace($line, $place, $note);
            if ($other !== null) {
                [$one, $two] = [$line->instrument->stringName($other->stop()->string), $line->instrument->stringName($note->stop()->string)];
                $strings = $one === $two ? "on the {$one} string" : "on neighbouring strings ({$one} and {$two})";
                $spots[] = new TroubleSpot('low-and-regular', "{$note->stop()->finger}/".min($other->stop()->string, $note->stop()->string).'/'.max($other->stop()->string, $note->stop()->string), 1.4, $note,
                    "Finger {$note->stop()->finger} is {$this->word($other)} for {$other->name()} and {$this->word($note)} for {$note->name()} a few notes apart, {$strings}.",
                    "Four of each: {$other->name()} and {$note->name()} with open strings between them to check the pitch; then two, then one.");
            }
        }

        return $spots;
    }

    private function otherPlace(PlayedLine $line, int $place, PlayedNote $note): ?PlayedNote
    {
        for ($before = $place - 1; $before >= max(0, $place - self::NOTES); $before--) {
            $other = $line->notes[$before];
            if ($other->stop()->finger === 0 || $other->stop()->placement === Placement::Harmonic || $other->stop()->finger !== $note->stop()->finger || $other->grip->hand !== $note->grip->hand || $other->phrase !== $note->phrase) {
                continue;
            }
            $same = $other->stop()->placement === $note->stop()->placement;

            return ! $same && abs($other->stop()->string - $note->stop()->string) <= 1 ? $other : null;
        }

        return null;
    }

    private function word(PlayedNote $note): string
    {
        return $note->stop()->placement === Placement::Regular ? 'in its usual place' : $note->stop()->placement->value;
    }
}
