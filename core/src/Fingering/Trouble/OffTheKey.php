<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Trouble;

/** A note that contradicts the key signature; the raised seventh of a minor key belongs to it. */
final class OffTheKey implements Detector
{
    public function find(PlayedLine $line): array
    {
        $spots = [];
        foreach ($line->notes as $note) {
            if ($note->offKey() !== 0.0 && ! $note->isRaisedSeventh()) {
                $spots[] = new TroubleSpot('off-the-key', $note->pitch()->letter.$note->pitch()->alter, 0.7, $note, "{$note->name()} is not in the key of {$note->key->name()}.");
            }
        }

        return $spots;
    }
}
