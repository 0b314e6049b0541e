<?php

declare(strict_types=1);

namespace App\Marking;

use App\Models\Part;
use App\Record\PartRecord;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\WrongDecision;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part as ScorePart;

/**
 * The notes of a part change: what was decided stays with its notes. What was decided about measures by their numbers, or about
 * a span whose end is gone, may now name others or none; for each note that is still there it is said again, as it held before.
 */
final class StandingDecisions
{
    /** What holds over a run of notes is kept on each with this after it. */
    private const RUN = '…';

    /** @var list<Decision> */
    private readonly array $decisions;

    /** @var array<string, true> */
    private readonly array $idsBefore;

    /** @var array<string, true> */
    private readonly array $idsNow;

    public function __construct(private readonly Part $part, private readonly ScorePart $before, private readonly ScorePart $now)
    {
        $this->decisions = (new PartRecord($part))->record()->decisions();
        $this->idsBefore = self::ids($before);
        $this->idsNow = self::ids($now);
    }

    /** @return array<string, true> */
    private static function ids(ScorePart $part): array
    {
        return array_fill_keys(array_map(static fn (Note $note): string => $note->id, $part->notes()), true);
    }

    /** How many notes that were decided about are still there. */
    public function kept(): int
    {
        $decided = [];
        foreach ($this->players() as $players) {
            $decided += $this->held($this->before, $players);
        }

        return count(array_intersect_key($decided, $this->idsNow));
    }

    /** @return list<array{note: string, players: string|null, fields: array<string, mixed>}> what was decided about notes that are gone */
    public function gone(): array
    {
        $gone = [];
        foreach ($this->players() as $players) {
            foreach (array_diff_key($this->held($this->before, $players), $this->idsNow) as $note => $fields) {
                $own = array_filter($fields, static fn (mixed $value): bool => ! is_string($value) || ! str_ends_with($value, self::RUN));
                $own === [] || $gone[] = ['note' => (string) $note, 'players' => $players, 'fields' => $own];
            }
        }

        return $gone;
    }

    /** @return list<Decision> what has to be said again, so that it goes on holding as it did */
    public function saidAgain(): array
    {
        return array_merge([], ...array_map($this->again(...), $this->players()));
    }

    /** @return list<string|null> everybody first, then each group of players that something was decided for */
    private function players(): array
    {
        $groups = array_filter(array_map(static fn (Decision $decision): ?string => $decision->players, $this->decisions));

        return [null, ...array_values(array_unique($groups))];
    }

    /** @return list<Decision> */
    private function again(?string $players): array
    {
        $held = array_intersect_key($this->held($this->before, $players), $this->idsNow);
        $holds = array_intersect_key($this->held($this->now, $players), $this->idsBefore);
        $again = [];
        foreach ($held + $holds as $note => $_) {
            $was = $held[$note] ?? [];
            $fields = array_udiff_assoc($was, $holds[$note] ?? [], static fn (mixed $one, mixed $other): int => $one <=> $other) + array_fill_keys(array_keys(array_diff_key($holds[$note] ?? [], $was)), null);
            foreach ($fields as $field => $value) {
                $decision = self::said((string) $note, $field, $value);
                $decision === null || $again[] = $players === null ? $decision : $decision->forPlayers($players);
            }
        }

        return $again;
    }

    /** @return array<string, array<string, mixed>> note => what is decided about it for everybody, or for these players besides */
    private function held(ScorePart $part, ?string $players): array
    {
        $decisions = PartDecisions::leniently($part, $this->decisions, $players);
        if ($players === null) {
            return $decisions->notes;
        }
        $theirs = [];
        foreach (array_intersect_key($decisions->forPlayers->notes ?? [], $decisions->own) as $note => $fields) {
            $theirs[$note] = array_udiff_assoc($fields, $decisions->notes[$note] ?? [], static fn (mixed $one, mixed $other): int => $one <=> $other);
        }

        return array_filter($theirs);
    }

    /** What holds over a run of notes is said as a run of one. */
    public static function said(string $note, string $field, mixed $value): ?Decision
    {
        try {
            return is_string($value) && str_ends_with($value, self::RUN)
                ? Decision::fromArray(['note' => $note, 'to' => $note, $field => mb_substr($value, 0, -1)])
                : Decision::fromArray(['note' => $note, $field => $value]);
        } catch (WrongDecision) {
            return null;
        }
    }
}
