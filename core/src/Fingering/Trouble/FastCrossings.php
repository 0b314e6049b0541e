<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Trouble;

/** Sixteenths and other fast notes with a bow for each, from string to string: trouble for the bow arm. */
final class FastCrossings implements Detector
{
    /** So many crossings, one right after the other. */
    private const CROSSINGS = 3;

    public function find(PlayedLine $line): array
    {
        $spots = [];
        $crossings = 0;
        foreach ($line->pairs() as [$before, $note]) {
            $crosses = $note->step->isFast() && ! $note->step->slurred && $note->stop()->string !== $before->stop()->string;
            $crossings = $crosses ? $crossings + 1 : 0;
            if ($crossings === self::CROSSINGS) {
                $between = "{$line->instrument->stringName($before->stop()->string)} and {$line->instrument->stringName($note->stop()->string)}";
                $spots[] = new TroubleSpot('fast-crossings', $between, 1.2, $note, "Fast separate bows cross between {$between} at {$note->name()}.", 'The bow alone on the open strings, near the balance point, then with the fingers.');
            }
        }

        return $spots;
    }
}
