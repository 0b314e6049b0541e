<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Practice\Exercises;

use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Teaching\Practice\Material;

/** The notes under slurs of a passage. */
final class SlurredNotes
{
    /** @return array<string, true> by id */
    public static function of(Material $of): array
    {
        $open = [];
        $under = [];
        foreach (array_merge(...array_map(static fn (Measure $measure): array => $measure->notes(), $of->measures)) as $note) {
            foreach ($note->slurs as $slur) {
                $slur->type === 'start' && $open[$slur->number] = true;
            }
            $open === [] || $note->rest || $under[$note->id] = true;
            foreach ($note->slurs as $slur) {
                if ($slur->type === 'stop') {
                    $under[$note->id] = true;
                    unset($open[$slur->number]);
                }
            }
        }

        return $under;
    }
}
