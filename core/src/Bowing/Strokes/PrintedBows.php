<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Strokes;

use UprightPencil\Core\Bowing\Marks\BowMarks;
use UprightPencil\Core\Score\Line;

/** The down-bow and up-bow signs that are printed on the notes. */
final class PrintedBows
{
    /** @param array<string, true> $unwritten ids of notes whose printed sign was taken off the page: it says nothing any more */
    public static function of(Line $line, array $unwritten = []): BowMarks
    {
        $directions = $cuts = [];
        foreach ($line->events as $event) {
            foreach ($event->notes as $note) {
                if ($note->technical->bow === null || isset($unwritten[$note->id])) {
                    continue;
                }
                // A sign on a note that is held over means a change of bow there.
                if ($event->isTiedOver()) {
                    $cuts[$event->start] = true;
                } else {
                    $directions[$note->id] = $note->technical->bow;
                }
            }
        }

        return new BowMarks($directions, cuts: $cuts);
    }
}
