<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Marking\Kinds\Kinds;
use UprightPencil\Core\Marking\Kinds\Reach;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Score;

/**
 * What is decided for one part now, note by note. Later decisions take the place of earlier ones by time alone, whether they
 * name a note, a span or a run of measures; null takes back.
 */
final class PartDecisions
{
    /** @var array<string, array<string, mixed>> note id => field => value */
    public array $notes = [];

    /** @var list<SkippedDecision> decisions that name nothing in this part; only where they were read leniently */
    public array $skipped = [];

    /** With what was decided for the fingers of some players; null where nothing was, or nobody asks. */
    public ?self $forPlayers = null;

    /** @var array<string, true> notes that were decided about for them */
    public array $own = [];

    private function __construct(private readonly NoteIndex $index) {}

    /**
     * @param  Part|NoteIndex  $part  its notes by their names are enough
     * @param  list<Decision>  $decisions  oldest first
     *
     * @throws WrongDecision when one names nothing in this part
     */
    public static function of(Part|NoteIndex $part, array $decisions): self
    {
        $made = self::leniently($part, $decisions);

        return $made->skipped === [] ? $made : throw new WrongDecision($made->skipped[0]->why);
    }

    /**
     * The same, but what names nothing in this part is skipped and told: a record always opens.
     *
     * @param  list<Decision>  $decisions  oldest first
     * @param  string|null  $players  a group of players: what was decided for them counts too
     */
    public static function leniently(Part|NoteIndex $part, array $decisions, ?string $players = null): self
    {
        $made = self::made($part, array_values(array_filter($decisions, static fn (Decision $decision): bool => $decision->players === null)));
        $own = $players === null ? [] : array_values(array_filter($decisions, static fn (Decision $decision): bool => $decision->players === $players));
        if ($own !== []) {
            $made->forPlayers = self::made($part, array_values(array_filter($decisions, static fn (Decision $decision): bool => in_array($decision->players, [null, $players], true))));
            $made->own = self::touched($part, $own);
        }

        return $made;
    }

    /** @param list<Decision> $decisions */
    private static function made(Part|NoteIndex $part, array $decisions): self
    {
        $made = new self($decisions === [] ? NoteIndex::empty() : NoteIndex::of($part));
        foreach ($decisions as $decision) {
            try {
                $made->add($decision);
            } catch (WrongDecision $fault) {
                $made->skipped[] = new SkippedDecision($decision, $fault->getMessage());
            }
        }
        $made->notes = array_filter($made->notes);

        return $made;
    }

    /**
     * The notes that some decisions are about; those that name nothing in this part are about none.
     *
     * @param  list<Decision>  $decisions
     * @return array<string, true> by id
     */
    public static function touched(Part|NoteIndex $part, array $decisions): array
    {
        $index = NoteIndex::of($part);
        $touched = [];
        foreach ($decisions as $decision) {
            try {
                $touched += array_fill_keys($index->notes($decision), true);
            } catch (WrongDecision) {
            }
        }

        return $touched;
    }

    private function add(Decision $decision): void
    {
        $notes = $this->index->notes($decision);
        if (! $decision->state->counts() || $notes === []) {
            return;
        }
        $after = $decision->reach() === Reach::Note ? null : $this->index->after($notes[count($notes) - 1]);
        foreach ($decision->fields as $field => $value) {
            $kind = $value === null ? null : Kinds::accepting($field, $value, $decision->reach());
            $values = $kind === null ? array_fill_keys($notes, null) : $kind->across($value, $notes, $after);
            foreach ($values as $note => $own) {
                $this->set((string) $note, $field, $own, array_diff_key(array_flip($kind?->displaces() ?? []), $decision->fields));
            }
        }
    }

    /** @param array<string, int> $displaced fields that no longer hold, by name */
    private function set(string $note, string $field, mixed $value, array $displaced): void
    {
        $fields = array_diff_key($this->notes[$note] ?? [], $displaced, [$field => true]);
        $this->notes[$note] = $value === null ? $fields : $fields + [$field => $value];
    }

    /**
     * The decisions that are about this part; every decision has to be about some part of the score.
     *
     * @param  list<Decision>  $decisions
     * @return list<Decision>
     *
     * @throws WrongDecision
     */
    public static function about(Part $part, Score $score, array $decisions): array
    {
        $parts = [];
        foreach ($decisions === [] ? [] : $score->parts as $one) {
            foreach ($one->notes() as $note) {
                $parts[$note->id] ??= $one;
            }
        }
        $about = [];
        foreach ($decisions as $decision) {
            $named = match (true) {
                $decision->part !== null => $score->part($decision->part),
                $decision->note !== null => $parts[$decision->note] ?? null,
                default => count($score->parts) === 1 ? $score->parts[0] : null,
            };
            if ($named === null) {
                throw new WrongDecision("There is no such part or note in this file: {$decision->shownToPeople()}");
            }
            if ($named === $part) {
                $about[] = $decision;
            }
        }

        return $about;
    }

    /**
     * What bowing and fingering are to be told.
     *
     * @param  array<string, array<string, mixed>>  $printed  what the words in the print say, note id => field => value
     */
    public function orders(array $printed): Orders
    {
        $orders = new Orders;
        foreach ([$printed, $this->notes] as $marks) {
            foreach ($marks as $note => $fields) {
                foreach ($fields as $field => $value) {
                    Kinds::keptAs($field, $value)?->order($orders, (string) $note, $value);
                }
            }
        }

        return $orders;
    }
}
