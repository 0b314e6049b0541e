<?php

declare(strict_types=1);

namespace App\Marking;

use App\Models\Part;
use App\Models\User;
use Illuminate\Support\Str;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\EntryKind;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\WrongDecision;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part as ScorePart;

/**
 * The notes of a part have changed: what was decided stays with its notes. What was decided about measures by their numbers may
 * now name others; for each note that is still there it is said again, as it held before.
 */
final class StandingDecisions
{
    private const AT_ONCE = 200;

    public static function hold(Part $part, ScorePart $before, ScorePart $now, User $by): void
    {
        $record = new PartRecord($part);
        $decisions = $record->record()->decisions();
        if (array_filter($decisions, static fn (Decision $decision): bool => $decision->measures !== null) === []) {
            return;
        }
        $held = self::stillThere(PartDecisions::leniently($before, $decisions)->notes, $now);
        $holds = self::stillThere(PartDecisions::leniently($now, $decisions)->notes, $before);
        $again = [];
        foreach ($held + $holds as $note => $_) {
            $was = $held[$note] ?? [];
            $fields = array_udiff_assoc($was, $holds[$note] ?? [], static fn (mixed $one, mixed $other): int => $one <=> $other) + array_fill_keys(array_keys(array_diff_key($holds[$note] ?? [], $was)), null);
            foreach ($fields as $field => $value) {
                $decision = self::said((string) $note, $field, $value);
                $decision === null || $again[] = $decision;
            }
        }
        foreach (array_chunk($again, self::AT_ONCE) as $chunk) {
            $record->append($by, new NewEntry(Str::uuid()->toString(), EntryKind::Decide, $chunk, seen: PHP_INT_MAX), static fn (): ScorePart => $now);
        }
    }

    /**
     * @param  array<string, array<string, mixed>>  $decided
     * @return array<string, array<string, mixed>>
     */
    private static function stillThere(array $decided, ScorePart $part): array
    {
        return array_intersect_key($decided, array_flip(array_map(static fn (Note $note): string => $note->id, $part->notes())));
    }

    /** What holds over a run of notes is kept on each with dots after it, and is said as a run of one. */
    private static function said(string $note, string $field, mixed $value): ?Decision
    {
        try {
            return is_string($value) && str_ends_with($value, '…')
                ? Decision::fromArray(['note' => $note, 'to' => $note, $field => mb_substr($value, 0, -1)])
                : Decision::fromArray(['note' => $note, $field => $value]);
        } catch (WrongDecision) {
            return null;
        }
    }
}
