<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble;

use UprightPencil\Core\Score\Beats;
use UprightPencil\Core\Score\Line;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Score\TempoMap;

/**
 * Places where several sections sound one pitch class long enough to tune to (`fingering.md`, “Trouble spots”).
 *
 * @phpstan-type Spot array{pitch: string, measure: string, to: string, seconds: float, sections: list<string>, beat: float, tick: int, end: int, class: int, everybody: bool}
 */
final class TuningSpots
{
    /** Seconds: shorter, nobody can listen and move. */
    private const LONG_ENOUGH = 1.5;

    private const SECTIONS = 3;

    private const NAMES = ['C', 'C♯', 'D', 'E♭', 'E', 'F', 'F♯', 'G', 'A♭', 'A', 'B♭', 'B'];

    /**
     * Where everybody who plays has it.
     *
     * @return list<array{pitch: string, measure: string, to: string, seconds: float, sections: list<string>}> in the order of the page
     */
    public static function of(Score $score): array
    {
        $everybody = array_filter(self::placed($score), static fn (array $spot): bool => $spot['everybody']);

        return array_values(array_map(static fn (array $spot): array => ['pitch' => $spot['pitch'], 'measure' => $spot['measure'], 'to' => $spot['to'], 'seconds' => $spot['seconds'], 'sections' => $spot['sections']], $everybody));
    }

    /**
     * The same, also where some sections have something else, with where they begin and end.
     *
     * @return list<Spot>
     */
    public static function placed(Score $score): array
    {
        if (count($score->parts) < self::SECTIONS) {
            return [];
        }
        $tempo = TempoMap::of($score);
        $beats = new Beats($score->parts[0], $score->resolution);
        $spots = [];
        $open = null;
        $heard = array_fill(0, count($score->parts), []);
        foreach (self::changes($score) as $tick => $changes) {
            foreach ($changes as [$part, $class, $more]) {
                $heard[$part][$class] = ($heard[$part][$class] ?? 0) + $more;
            }
            $now = self::unison($score, $heard);
            if ($open !== null && ($now === null || $now[0] !== $open['class'] || $now[2] !== $open['everybody'])) {
                $spots[] = self::spot($beats, $open, $tick, $tempo);
                $open = null;
            }
            if ($now !== null) {
                $open ??= ['class' => $now[0], 'start' => $tick, 'sections' => $now[1], 'everybody' => $now[2]];
                $open['sections'] = array_values(array_unique([...$open['sections'], ...$now[1]]));
            }
        }

        return array_values(array_filter($spots, static fn (array $spot): bool => $spot['seconds'] >= self::LONG_ENOUGH));
    }

    /** @return array<int, list<array{int, int, int}>> tick => what begins (+1) or ends (-1) there: part, pitch class */
    private static function changes(Score $score): array
    {
        $changes = [];
        foreach ($score->parts as $index => $part) {
            foreach (Line::allOf($part) as $line) {
                foreach ($line->events as $event) {
                    foreach ($event->duration() === 0 ? [] : $event->notes as $note) {
                        $class = ($note->pitch?->midi() ?? 0) % 12;
                        $changes[$event->start][] = [$index, $class, 1];
                        $changes[$event->end()][] = [$index, $class, -1];
                    }
                }
            }
        }
        ksort($changes);

        return $changes;
    }

    /**
     * The pitch class that most sections sound, who they are, and whether nothing else is heard.
     *
     * @param  array<int, array<int, int>>  $heard  part => pitch class => how many notes
     * @return array{int, list<string>, bool}|null
     */
    private static function unison(Score $score, array $heard): ?array
    {
        $sections = [];
        foreach ($heard as $index => $counts) {
            foreach (array_keys(array_filter($counts)) as $class) {
                $sections[$class][] = $score->parts[$index]->name;
            }
        }
        $most = null;
        foreach ($sections as $class => $names) {
            $most = $most === null || count($names) > count($sections[$most]) ? $class : $most;
        }

        return $most !== null && count($sections[$most]) >= self::SECTIONS ? [$most, $sections[$most], count($sections) === 1] : null;
    }

    /**
     * @param  array{class: int, start: int, sections: list<string>, everybody: bool}  $open
     * @return Spot
     */
    private static function spot(Beats $beats, array $open, int $end, TempoMap $tempo): array
    {
        return [
            'pitch' => self::NAMES[$open['class']],
            'measure' => $beats->placeAt($open['start'])[0],
            'to' => $beats->placeAt($end - 1)[0],
            'seconds' => round($tempo->seconds($end - $open['start'], $open['start']), 2),
            'sections' => $open['sections'],
            'beat' => $beats->placeAt($open['start'])[1],
            'tick' => $open['start'],
            'end' => $end,
            'class' => $open['class'],
            'everybody' => $open['everybody'],
        ];
    }
}
