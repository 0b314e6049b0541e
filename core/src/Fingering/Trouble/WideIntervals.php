<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Trouble;

/** Augmented seconds and tritones between neighbours: hard to hear, so hard to place. */
final class WideIntervals implements Detector
{
    private const TRITONE = 6;

    public function find(PlayedLine $line): array
    {
        $spots = [];
        foreach ($line->pairs() as [$before, $note]) {
            $half = abs($note->pitch()->midi() - $before->pitch()->midi());
            $letters = abs($note->pitch()->diatonic() - $before->pitch()->diatonic());
            $name = match (true) {
                $half === 3 && $letters === 1 => 'an augmented second',
                $half === self::TRITONE && in_array($letters, [3, 4], true) => 'a tritone',
                default => null,
            };
            if ($name !== null && ! $note->step->afterRest()) {
                $spots[] = new TroubleSpot('wide-interval', "{$name} {$before->pitch()->letter}{$note->pitch()->letter}", 0.9, $note, "{$before->name()} to {$note->name()} is {$name}.", 'Sing both notes, then find them with the bow off the string.');
            }
        }

        return $spots;
    }
}
