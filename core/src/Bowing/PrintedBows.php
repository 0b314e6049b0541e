<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

use UprightPencil\Core\Score\Event;
use UprightPencil\Core\Score\Line;
use UprightPencil\Core\Score\Part;

/** What is printed about the bow: signs on the notes, and the words that stand for signs which MusicXML lacks. */
final class PrintedBows
{
    /** Words that begin a list of staggered changes. */
    public const STAGGER = 'stagger: ';

    /**
     * @param  array<string, true>  $struck  ids of notes whose printed sign was taken off the page
     */
    public static function of(Part $part, Line $line, array $struck = []): BowMarks
    {
        $directions = $actions = $places = $cuts = $types = $desks = [];
        foreach ($line->events as $event) {
            foreach ($event->notes as $note) {
                if ($note->technical->bow === null || isset($struck[$note->id])) {
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
        foreach (self::words($part) as [$tick, $words]) {
            $next = self::eventAt($line, $tick);
            $place = BowPlace::tryFrom($words) ?? BowPlace::tryFrom(strtoupper($words));
            if (preg_match('/^change bow/', $words) === 1) {
                $cuts[$tick] = true;
            } elseif ($words === 'retake' && $next !== null) {
                $actions[$next->first()->id] = BowAction::Retake;
            } elseif (str_starts_with($words, self::STAGGER) && $next !== null) {
                // The places of the changes are worked out again; one list is said for each desk.
                $actions[$next->first()->id] = BowAction::Stagger;
                $desks[$next->first()->id] = min(4, substr_count($words, ',') + 1);
            } elseif ($place !== null && $next !== null) {
                $places[$next->first()->id] = $place;
            } elseif (StrokeType::tryFrom($words) !== null && $next !== null) {
                $types[$next->first()->id] = StrokeType::from($words);
            }
        }

        return new BowMarks($directions, $actions, places: $places, desks: $desks, cuts: $cuts, types: $types);
    }

    /** @return list<array{int, string}> */
    private static function words(Part $part): array
    {
        $words = [];
        foreach ($part->measures as $measure) {
            foreach ($measure->directions() as $direction) {
                $said = $direction->words();
                if ($said !== '') {
                    $words[] = [$measure->start + $direction->time(), $said];
                }
            }
        }

        return $words;
    }

    private static function eventAt(Line $line, int $tick): ?Event
    {
        foreach ($line->events as $event) {
            if ($event->start >= $tick && ! $event->isGrace()) {
                return $event->start === $tick ? $event : null;
            }
        }

        return null;
    }
}
