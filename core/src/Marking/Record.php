<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

/**
 * The append-only record of a part: entries that decide, undo and redo. Undo and redo are entries too, so nothing is ever
 * taken out; what counts now is worked out from it. They name what they take back, so that entries of others in between
 * never make them mean something else.
 */
final class Record
{
    /** @var list<string> keys of the entries that count, in the order in which they came into effect */
    private array $counts = [];

    /** @var array<string, int> keys of the entries that were taken back => by whom, the last one last */
    private array $takenBack = [];

    /** @var array<string, RecordEntry> entries that decide, by key */
    private array $decided = [];

    /** @var array<string, list<string>> key => what of the entry is not understood, as sentences */
    private array $unread = [];

    /** @param iterable<RecordEntry> $entries oldest first */
    public static function of(iterable $entries): self
    {
        $record = new self;
        foreach ($entries as $entry) {
            $record->append($entry);
        }

        return $record;
    }

    public function append(RecordEntry $entry): void
    {
        $entry->unread === [] || $this->unread[$entry->key] = $entry->unread;
        match ($entry->kind) {
            EntryKind::Decide => $this->decide($entry),
            EntryKind::Undo => $this->undo($entry->takes ?? $this->counts[count($this->counts) - 1] ?? null, $entry->by),
            EntryKind::Redo => $this->redo($entry->takes ?? array_key_last($this->takenBack)),
            null => null,
        };
    }

    private function decide(RecordEntry $entry): void
    {
        $this->decided[$entry->key] = $entry;
        $this->counts[] = $entry->key;
        // A new decision closes the way back to what its author had taken back.
        $this->takenBack = array_filter($this->takenBack, static fn (int $by): bool => $by !== $entry->by);
    }

    private function undo(?string $key, int $by): void
    {
        if ($key !== null && $this->isCounting($key)) {
            $this->counts = array_values(array_filter($this->counts, static fn (string $one): bool => $one !== $key));
            $this->takenBack[$key] = $by;
        }
    }

    private function redo(?string $key): void
    {
        if ($key !== null && isset($this->decided[$key]) && ! $this->isCounting($key)) {
            unset($this->takenBack[$key]);
            $this->counts[] = $key;
        }
    }

    private function isCounting(string $key): bool
    {
        return in_array($key, $this->counts, true);
    }

    /** @return list<Decision> what counts, oldest first */
    public function decisions(): array
    {
        return array_merge([], ...array_map(fn (string $key): array => $this->decided[$key]->decisions, $this->counts));
    }

    /** @return list<string> keys of the entries that count, in the order in which they came into effect */
    public function counting(): array
    {
        return $this->counts;
    }

    /** @return list<string> keys of the entries of a person that count, oldest first */
    public function undoable(int $by): array
    {
        return array_values(array_filter($this->counts, fn (string $key): bool => $this->decided[$key]->by === $by));
    }

    /** @return list<string> keys of the entries that a person took back and that can be decided again, the next one last */
    public function redoable(int $by): array
    {
        return array_keys(array_filter($this->takenBack, static fn (int $one): bool => $one === $by));
    }

    /** @return array<string, list<string>> key => what of the entry is not understood */
    public function unread(): array
    {
        return $this->unread;
    }
}
