<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Marking\Kinds\BowedRun;
use UprightPencil\Core\Marking\Kinds\Kinds;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;

/** What counts on notes, said as decisions again: what holds over a run of notes is said of the run. */
final class Restated
{
    /**
     * @param  array<array-key, array<string, mixed>>  $fields  note id => field => value as it is kept, or null to take it back
     * @return list<Decision>
     */
    public static function of(Part $part, array $fields): array
    {
        $decisions = $runs = [];
        $places = [];
        foreach ($part->notes() as $note) {
            $note->rest || $places[$note->line()][] = $note->id;
        }
        foreach ($fields as $note => $own) {
            $single = array_filter($own, static fn (mixed $value, string $field): bool => $value === null || ! Kinds::keptAs($field, $value) instanceof BowedRun, ARRAY_FILTER_USE_BOTH);
            $single === [] || $decisions[] = Decision::onNote((string) $note, $single);
            foreach (array_diff_key($own, $single) as $field => $value) {
                $runs[$field][BowedRun::said($value)][(string) $note] = true;
            }
        }
        foreach ($runs as $field => $values) {
            foreach ($values as $value => $notes) {
                foreach (array_merge([], ...array_values(array_map(static fn (array $line): array => self::stretches($line, $notes), $places))) as [$first, $last]) {
                    $decisions[] = Decision::fromArray(['note' => $first, 'to' => $last, $field => $value]);
                }
            }
        }

        return $decisions;
    }

    /**
     * What takes a page from what counts on it to what counted on another.
     *
     * @param  array<string, array<string, mixed>>  $now  note id => field => value
     * @param  array<string, array<string, mixed>>  $then
     * @return list<Decision>
     */
    public static function back(Part $part, array $now, array $then): array
    {
        $there = array_fill_keys(array_map(static fn (Note $note): string => $note->id, $part->notes()), true);
        $changes = [];
        foreach (array_intersect_key($now + $then, $there) as $note => $_) {
            [$is, $was] = [$now[$note] ?? [], $then[$note] ?? []];
            $differs = array_filter($was, static fn (mixed $value, string $field): bool => ($is[$field] ?? null) !== $value, ARRAY_FILTER_USE_BOTH)
                + array_fill_keys(array_keys(array_diff_key($is, $was)), null);
            $differs === [] || $changes[$note] = $differs;
        }

        return self::of($part, $changes);
    }

    /**
     * @param  list<string>  $line  ids of a voice's notes
     * @param  array<string, true>  $wanted
     * @return list<array{string, string}> first and last note of each stretch of them
     */
    private static function stretches(array $line, array $wanted): array
    {
        $stretches = [];
        $first = $last = null;
        foreach ([...$line, null] as $note) {
            if ($note !== null && isset($wanted[$note])) {
                $first ??= $note;
                $last = $note;
            } elseif ($first !== null && $last !== null) {
                $stretches[] = [$first, $last];
                $first = $last = null;
            }
        }

        return $stretches;
    }
}
