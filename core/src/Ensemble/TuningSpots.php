<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble;

use UprightPencil\Core\Score\Beats;
use UprightPencil\Core\Score\Line;
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
        return array_map(static function (array $spot): array {
            unset($spot['beat'], $spot['tick']);

            return $spot;
        }, self::placed($score));
    }

    /** @return list<array{pitch: string, measure: string, to: string, seconds: float, sections: list<string>, beat: float, tick: int}> the same, with where they begin */
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
            if ($open !== null && ($now === null || $now[0] !== $open['class'])) {
                $spots[] = self::spot($beats, $open, $tick, $tempo);
                $open = null;
            }
            if ($now !== null) {
                $open ??= ['class' => $now[0], 'start' => $tick, 'sections' => $now[1]];
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
     * The one pitch class that everybody who plays sounds, and who they are.
     *
     * @param  array<int, array<int, int>>  $heard  part => pitch class => how many notes
     * @return array{int, list<string>}|null
     */
    private static function unison(Score $score, array $heard): ?array
    {
        $classes = $sections = [];
        foreach ($heard as $index => $counts) {
            $sounding = array_keys(array_filter($counts));
            $classes += array_fill_keys($sounding, true);
            $sounding === [] || $sections[] = $score->parts[$index]->name;
        }

        return count($sections) >= self::SECTIONS && count($classes) === 1 ? [(int) array_key_first($classes), $sections] : null;
    }

    /**
     * @param  array{class: int, start: int, sections: list<string>}  $open
     * @return array{pitch: string, measure: string, to: string, seconds: float, sections: list<string>, beat: float, tick: int}
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
        ];
    }
}
