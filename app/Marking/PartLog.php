<?php

declare(strict_types=1);

namespace App\Marking;

use App\Models\LogEntry;
use App\Models\Part;
use App\Models\User;
use Illuminate\Database\UniqueConstraintViolationException;
use UprightPencil\Core\Marking\DecisionLog;

/** Reads and appends to the record of a part. */
final readonly class PartLog
{
    public function __construct(private Part $part) {}

    public function log(): DecisionLog
    {
        return DecisionLog::of($this->part->log->map(static fn (LogEntry $entry): array => $entry->entry()));
    }

    /** The sequence number of the newest entry; 0 when nothing was ever decided. */
    public function newest(): int
    {
        return $this->part->log->last()->seq ?? 0;
    }

    /**
     * Appends one entry. The same request sent twice is one entry.
     *
     * @param  int  $base  the newest entry that the page has seen
     * @param  list<array<string, mixed>>  $decisions
     *
     * @throws LogMovedOn
     */
    public function append(User $user, int $base, string $key, string $kind, array $decisions): void
    {
        if ($this->holds($key)) {
            return;
        }
        if ($base !== $this->newest()) {
            throw new LogMovedOn;
        }
        try {
            $this->part->log()->create(['user_id' => $user->id, 'seq' => $base + 1, 'kind' => $kind, 'decisions' => $decisions, 'request_key' => $key]);
        } catch (UniqueConstraintViolationException) {
            // Two requests read the same newest entry; the database let one through.
            if (! $this->holds($key)) {
                throw new LogMovedOn;
            }
        }
        $this->part->unsetRelation('log');
    }

    /** @phpstan-impure another request may append meanwhile */
    private function holds(string $key): bool
    {
        return $this->part->log()->where('request_key', $key)->exists();
    }
}
