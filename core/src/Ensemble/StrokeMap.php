<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble;

use UprightPencil\Core\Marking\Kinds\Divide;

/** The strokes of a section as a map of the orchestra draws them. */
final class StrokeMap
{
    /** @return list<array{int, int, string, string, string, list<int>, list<list<int>>}> from and until (ticks), d, u or -, what is done with the bow, first note, where further notes of it begin, where each desk changes */
    public static function of(Section $section): array
    {
        $strokes = [];
        foreach ($section->notes as $note) {
            $bow = $note->mark->bow;
            $before = array_pop($strokes);
            $goesOn = $before !== null && $bow !== null && ! $bow->begins && $note->gap === 0 && $note->direction() === $before[2] && $note->direction() !== '-';
            if ($goesOn) {
                $strokes[] = [$before[0], $note->end, $before[2], $before[3], $before[4], [...$before[5], $note->tick()], $before[6]];

                continue;
            }
            $before === null || $strokes[] = $before;
            $strokes[] = [$note->tick(), $note->end, $note->direction(), self::action($note), $note->id(), [], self::desks($note)];
        }

        return $strokes;
    }

    /** @return list<list<int>> ticks at which each desk changes on a held note, the front one first */
    private static function desks(LinedNote $note): array
    {
        return array_map(static fn (array $changes): array => array_map(static fn (int $tick): int => $tick * $note->times, array_column($changes, 'tick')), $note->mark->bow->stagger ?? []);
    }

    private static function action(LinedNote $note): string
    {
        $bow = $note->mark->bow;

        return trim(implode(' ', [
            $bow?->action->value ?? '',
            ($bow->stagger ?? []) !== [] ? 'stagger' : '',
            $note->mark->inForce(Divide::FIELD) !== null && $note->chord !== [] ? 'divided' : '',
            $note->solo ? 'solo' : '',
            $note->mark->isDecided('direction') ? 'decided' : '',
        ]));
    }

    /**
     * Where three sections or more leave the string at once and rest: breaks that must be clean.
     *
     * @param  list<Section>  $sections
     * @return list<int> ticks
     */
    public static function cutOffs(array $sections): array
    {
        $ends = [];
        foreach ($sections as $section) {
            foreach ($section->notes as $index => $note) {
                $next = $section->notes[$index + 1] ?? null;
                $next !== null && $next->gap === 0 || $ends[$note->end] = ($ends[$note->end] ?? 0) + 1;
            }
        }
        ksort($ends);

        return array_keys(array_filter($ends, static fn (int $many, int $tick): bool => $many >= 3 && array_filter($sections, static fn (Section $section): bool => $section->at($tick) !== null) === [], ARRAY_FILTER_USE_BOTH));
    }
}
