<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

use UprightPencil\Core\Score\Event;
use UprightPencil\Core\Score\Line;

/** The printed slurs of a line. They are matched start to stop by number; one that is never closed joins nothing. */
final class Slurs
{
    /** @return array<int, int> events under a slur that began earlier => the event that it began on */
    public static function under(Line $line): array
    {
        $open = [];
        $under = [];
        foreach ($line->events as $event) {
            $starting = [];
            foreach (self::of($event) as [$type, $number]) {
                if ($type === 'start') {
                    $starting[$number] = $event->index;
                } elseif ($type === 'stop' && isset($open[$number])) {
                    for ($index = $open[$number] + 1; $index <= $event->index; $index++) {
                        $under[$index] = $open[$number];
                    }
                    unset($open[$number]);
                }
            }
            $open = $starting + $open;
        }

        return $under;
    }

    /** @return list<array{string, int}> */
    private static function of(Event $event): array
    {
        $slurs = [];
        foreach ($event->notes as $note) {
            foreach ($note->slurs as $slur) {
                $slurs[] = [$slur->type, $slur->number];
            }
        }

        return $slurs;
    }
}
