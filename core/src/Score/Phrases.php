<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/** Where the phrases of a line begin: after a silence that is heard, at a repeat sign or double bar, else every four measures. */
final class Phrases
{
    /** A phrase without a rest is looked at in pieces of so many measures. */
    private const MEASURES = 4;

    /**
     * @param  list<Event>  $events
     * @param  \Closure(int): bool  $afterRest  whether the event at a place of the list comes after a silence
     * @return list<int> for each event the phrase that it belongs to, counted from 0
     */
    public static function of(array $events, Part $part, \Closure $afterRest): array
    {
        $phrases = [];
        $phrase = -1;
        $begun = -self::MEASURES;
        foreach ($events as $place => $event) {
            if ($place === 0 || $afterRest($place) || $event->measure - $begun >= self::MEASURES || ($event->measure !== $begun && self::begins($part->measures[$event->measure]))) {
                $phrase++;
                $begun = $event->measure;
            }
            $phrases[] = $phrase;
        }

        return $phrases;
    }

    private static function begins(Measure $measure): bool
    {
        foreach ($measure->barlines as $barline) {
            if ($barline->place === 'left') {
                return true;
            }
        }

        return false;
    }
}
