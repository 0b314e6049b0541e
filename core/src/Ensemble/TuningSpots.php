<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble;

use UprightPencil\Core\Score\Event;
use UprightPencil\Core\Score\Line;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Score\TempoMap;

/** Places where several sections sound one pitch class long enough to tune to (`fingering.md`, “Trouble spots”). */
final class TuningSpots
{
    /** Seconds: shorter, nobody can listen and move. */
    private const LONG_ENOUGH = 1.5;

    private const SECTIONS = 3;

    private const NAMES = ['C', 'C♯', 'D', 'E♭', 'E', 'F', 'F♯', 'G', 'A♭', 'A', 'B♭', 'B'];

    /**
     * @return list<array{pitch: string, measure: string, to: string, seconds: float, sections: list<string>}> in the order of the page
     */
    public static function of(Score $score): array
    {
        if (count($score->parts) < self::SECTIONS) {
            return [];
        }
        $sounding = array_map(self::sounding(...), $score->parts);
        $ticks = array_values(array_unique(array_merge([], ...array_map(static fn (array $notes): array => array_merge(array_column($notes, 0), array_column($notes, 1)), $sounding))));
        sort($ticks);
        $tempo = TempoMap::of($score);
        $spots = [];
        $open = null;
        foreach ($ticks as $tick) {
            $now = self::unison($score, $sounding, $tick);
            if ($open !== null && ($now === null || $now[0] !== $open['class'])) {
                $spots[] = self::spot($score, $open, $tick, $tempo);
                $open = null;
            }
            if ($now !== null) {
                $open ??= ['class' => $now[0], 'start' => $tick, 'sections' => $now[1]];
                $open['sections'] = array_values(array_unique([...$open['sections'], ...$now[1]]));
            }
        }

        return array_values(array_filter($spots, static fn (array $spot): bool => $spot['seconds'] >= self::LONG_ENOUGH));
    }

    /** @return list<array{int, int, list<int>}> start and end in ticks, pitch classes */
    private static function sounding(Part $part): array
    {
        $notes = [];
        foreach (Line::allOf($part) as $line) {
            foreach ($line->events as $event) {
                $notes[] = [$event->start, $event->end(), self::classes($event)];
            }
        }

        return $notes;
    }

    /** @return list<int> */
    private static function classes(Event $event): array
    {
        return array_map(static fn ($note): int => ($note->pitch?->midi() ?? 0) % 12, $event->notes);
    }

    /**
     * The one pitch class that everybody who plays at a moment sounds, and who they are.
     *
     * @param  list<list<array{int, int, list<int>}>>  $sounding
     * @return array{int, list<string>}|null
     */
    private static function unison(Score $score, array $sounding, int $tick): ?array
    {
        $classes = [];
        $sections = [];
        foreach ($sounding as $index => $notes) {
            foreach ($notes as [$start, $end, $heard]) {
                if ($start <= $tick && $tick < $end) {
                    $sections[] = $score->parts[$index]->name;
                    array_push($classes, ...$heard);
                }
            }
        }
        $sections = array_values(array_unique($sections));

        return count($sections) >= self::SECTIONS && count(array_unique($classes)) === 1 ? [$classes[0], $sections] : null;
    }

    /**
     * @param  array{class: int, start: int, sections: list<string>}  $open
     * @return array{pitch: string, measure: string, to: string, seconds: float, sections: list<string>}
     */
    private static function spot(Score $score, array $open, int $end, TempoMap $tempo): array
    {
        return [
            'pitch' => self::NAMES[$open['class']],
            'measure' => self::measureAt($score->parts[0], $open['start']),
            'to' => self::measureAt($score->parts[0], $end - 1),
            'seconds' => round($tempo->seconds($end - $open['start'], $open['start']), 2),
            'sections' => $open['sections'],
        ];
    }

    private static function measureAt(Part $part, int $tick): string
    {
        $number = '';
        foreach ($part->measures as $measure) {
            $number = $measure->start <= $tick ? $measure->number : $number;
        }

        return $number;
    }
}
