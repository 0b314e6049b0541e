<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Practice\Exercises;

use UprightPencil\Core\Fingering\Trouble\PlayedNote;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Teaching\Practice\Material;
use UprightPencil\Core\Teaching\Practice\Tone;

/** Pitches up and down in quarters, so many of each, with their names. */
final class UpAndDown
{
    /**
     * @param  list<PlayedNote>  $notes  from low to high
     * @param  int  $each  how many of each
     * @return list<Tone>
     */
    public static function of(Material $of, array $notes, int $each): array
    {
        $tones = [];
        foreach ([...$notes, ...array_slice(array_reverse($notes), 1)] as $place => $note) {
            for ($count = 0; $count < $each; $count++) {
                $tone = $of->tone($note, $of->resolution, $place === 0 && $count === 0 ? BowSign::Down : null);
                $tones[] = $count === 0 ? $tone->with(sung: $of->part->style->vocabulary->say($note->pitch()->spokenLetter()), measure: $place === 0) : $tone->with(finger: null, string: null);
            }
        }

        return $tones;
    }
}
