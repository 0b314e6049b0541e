<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Marking\Kinds\Reduction;
use UprightPencil\Core\Score\Note;

/** What reductions make of the stems of one measure: heads that are not played become small, repeated ones are tied. */
final class ReducedStems
{
    /**
     * @param  list<object>  $items  of a measure
     * @param  array<string, string>  $reduced  note => how
     * @return list<object>
     */
    public static function of(array $items, array $reduced): array
    {
        $stems = [];
        foreach ($items as $place => $item) {
            if ($item instanceof Note && ! $item->rest && ! $item->cue) {
                $stems[$item->chord && $stems !== [] ? count($stems) - 1 : count($stems)][$place] = $item;
            }
        }
        $changed = [];
        foreach ($stems as $stem) {
            $changed += self::stem($stem, $reduced);
        }
        $changed = self::tied($stems, $changed, $reduced) + $changed;
        foreach ($changed as $place => $note) {
            $items[$place] = $note;
        }

        return array_values($items);
    }

    /**
     * @param  non-empty-array<int, Note>  $stem  by place
     * @param  array<string, string>  $reduced
     * @return array<int, Note> by place; what sounds leads
     */
    private static function stem(array $stem, array $reduced): array
    {
        $hows = array_values(array_filter(array_map(static fn (Note $note): ?string => $reduced[$note->id] ?? null, $stem)));
        if ($hows === []) {
            return [];
        }
        $pitches = array_map(static fn (Note $note): int => $note->pitch?->midi() ?? 0, $stem);
        $stays = fn (Note $note, int $place): bool => match (true) {
            ($reduced[$note->id] ?? null) === Reduction::LEAVE_OUT => false,
            in_array(Reduction::TOP, $hows, true) => $pitches[$place] === max($pitches),
            in_array(Reduction::BOTTOM, $hows, true) => $pitches[$place] === min($pitches),
            default => true,
        };
        $sounding = array_filter($stem, $stays, ARRAY_FILTER_USE_BOTH);
        $silent = array_map(static fn (Note $note): Note => $note->with(cue: true, tieStart: false, tieStop: false), array_diff_key($stem, $sounding));
        $lead = $stem[array_key_first($stem)];
        $ordered = [];
        foreach ([...$sounding, ...$silent] as $number => $note) {
            $ordered[] = $note->with(chord: $number > 0, slurs: $number > 0 ? [] : $lead->slurs, articulations: $number > 0 ? $note->articulations : $lead->articulations, tuplets: $number > 0 ? [] : $lead->tuplets);
        }

        return $silent === [] ? [] : array_combine(array_keys($stem), $ordered);
    }

    /**
     * @param  array<non-empty-array<int, Note>>  $stems
     * @param  array<int, Note>  $changed
     * @param  array<string, string>  $reduced
     * @return array<int, Note>
     */
    private static function tied(array $stems, array $changed, array $reduced): array
    {
        $tied = [];
        $before = null;
        foreach ($stems as $stem) {
            $place = (int) array_key_first($stem);
            $note = $changed[$place] ?? $stem[$place];
            $held = count($stem) === 1 && ! $note->cue && ($reduced[$note->id] ?? null) === Reduction::HELD;
            if ($held && $before !== null && $before[1]->pitch == $note->pitch && $before[1]->end() === $note->onset && $before[1]->line() === $note->line()) {
                $tied[$before[0]] = $before[1]->with(tieStart: true);
                $tied[$place] = $note = $note->with(tieStop: true, slurs: [], articulations: []);
            }
            $before = $held ? [$place, $note] : null;
        }

        return $tied;
    }
}
