<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Writing;

use UprightPencil\Core\Score\Event;
use UprightPencil\Core\Score\Note;

/** A bow reaches two strings at a time: more notes are broken, the lower two first. */
final class BrokenChords
{
    /**
     * @param  list<Event>  $events
     * @return array<string, string> first note's id => what to do
     */
    public static function of(array $events): array
    {
        $told = [];
        foreach ($events as $event) {
            if (count($event->notes) > 2) {
                $names = array_map(static fn (Note $note): string => (string) $note->pitch?->spoken(), $event->notes);
                $told[$event->first()->id] = 'Broken chord: '.implode(' and ', array_slice($names, 0, 2)).' first, then '.implode(' and ', array_slice($names, -2)).'.';
            }
        }

        return $told;
    }
}
