<?php

declare(strict_types=1);

namespace App\Record;

use App\Marking\Cached;
use App\Marking\CoreCode;
use App\Marking\OpenParts;
use App\Models\LogEntry;
use App\Models\Part;
use App\Models\User;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Str;
use Ramsey\Uuid\Uuid;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\EntryKind;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\Record;
use UprightPencil\Core\Score\Part as ScorePart;

/** Reads and appends to the record of a part. */
final class PartRecord
{
    /** So many entries are worked out at once without ado. */
    private const KEPT_EVERY = 50;

    /** Decisions in one entry of the application's own. */
    private const AT_ONCE = 200;

    private ?Record $record = null;

    public function __construct(private readonly Part $part) {}

    /** What is in the record: as it was kept, with what came since. */
    public function record(): Record
    {
        if ($this->record !== null) {
            return $this->record;
        }
        [$seq, $record] = $this->kept();
        $rows = $this->part->log()->toBase()->where('seq', '>', $seq)->get(['seq', 'request_key', 'kind', 'user_id', 'takes', 'decisions']);
        foreach ($rows as $row) {
            $record->append(LogEntry::readRow($row));
        }
        $last = $rows->last();
        if ($last !== null) {
            $now = [(int) $last->seq, (string) $last->request_key, $record];
            $this->open()->remember($this->part, $now);
            $rows->count() >= self::KEPT_EVERY && Cache::put($this->slot(), $now, now()->addMonth());
        }

        return $this->record = $record;
    }

    private function open(): OpenParts
    {
        return resolve(OpenParts::class);
    }

    /**
     * Working out a long record takes time, so now and then it is kept. What is lost, or of other code, is worked out anew.
     *
     * @return array{int, Record}
     */
    private function kept(): array
    {
        $kept = $this->open()->record($this->part) ?? Cached::get($this->slot());
        if (! is_array($kept) || ! is_int($kept[0] ?? null) || ! ($kept[2] ?? null) instanceof Record) {
            return [0, new Record];
        }

        // A database that was restored from a backup may have gone another way since.
        return $this->part->log()->where('seq', $kept[0])->where('request_key', $kept[1] ?? '')->exists() ? [$kept[0], $kept[2]] : [0, new Record];
    }

    private function slot(): string
    {
        return "record:{$this->part->id}:".CoreCode::of('Marking', 'Score');
    }

    /**
     * The newest entry.
     *
     * @return array{int, string} its number, 0 when nothing was ever decided, and its key
     */
    public function newest(): array
    {
        $row = $this->part->log()->reorder('seq', 'desc')->toBase()->first(['seq', 'request_key']);

        return [(int) $row?->seq, (string) $row?->request_key];
    }

    /**
     * Appends one entry. The same request sent twice is one entry. An entry about other notes than what came in between is
     * simply appended.
     *
     * @param  \Closure(): ScorePart  $score  the part, which is read only where others decided meanwhile
     *
     * @throws EntryClashes when somebody else decided about the same notes meanwhile
     * @throws EntryOutOfOrder when it names an entry that is not there
     */
    public function append(User $user, NewEntry $entry, \Closure $score): void
    {
        Turn::take(fn () => $this->appendOne($user, $entry, $score));
        $this->record = null;
    }

    /**
     * Appends decisions that the application makes in somebody's name, few enough in each entry that it can be looked through.
     *
     * @param  list<Decision>  $decisions
     * @param  \Closure(): ScorePart  $score
     */
    public function appendAll(User $user, array $decisions, \Closure $score): void
    {
        foreach (array_chunk($decisions, self::AT_ONCE) as $some) {
            $this->append($user, new NewEntry(Str::uuid()->toString(), EntryKind::Decide, $some, seen: NewEntry::ALL_SEEN), $score);
        }
    }

    /**
     * One entry for each of several parts, all or none.
     *
     * @param  list<array{self, NewEntry, \Closure(): ScorePart}>  $entries  all of one group
     */
    public static function appendGroup(User $user, array $entries): void
    {
        Turn::take(static function () use ($user, $entries): void {
            foreach ($entries as [$record, $entry, $score]) {
                $record->appendOne($user, $entry, $score);
            }
        });
    }

    /** @param \Closure(): ScorePart $score */
    private function appendOne(User $user, NewEntry $entry, \Closure $score): void
    {
        if ($this->entry($entry->key) !== null) {
            return;
        }
        $taken = $entry->takes === null ? null : $this->entry($entry->takes) ?? throw new EntryOutOfOrder;
        if ($entry->follows !== null && $this->entry($entry->follows) === null) {
            throw new EntryOutOfOrder;
        }
        Prescribed::refuse($this->part, $entry, $score);
        $this->refuseClash($entry, $taken, $score);
        $derived = $entry->kind === EntryKind::Decide ? Deriving::following($this->part, $entry->decisions) : [];
        // What parts that were made from this one take over is one with it, and is taken back with it.
        $entry = $derived === [] || $entry->group !== null ? $entry : $entry->in(Uuid::uuid5($entry->key, 'derived')->toString());
        $this->write($user, $entry);
        foreach ($derived as [$part, $decisions]) {
            (new self($part))->write($user, new NewEntry(Uuid::uuid5($entry->key, "derived {$part->id}")->toString(), EntryKind::Decide, $decisions, seen: NewEntry::ALL_SEEN, browser: $entry->browser, group: $entry->group));
        }
        $taken?->group_key === null || $this->takeGroup($user, $entry, $taken);
    }

    private function entry(string $key): ?LogEntry
    {
        return $this->part->log()->where('request_key', $key)->first();
    }

    private function write(User $user, NewEntry $entry): void
    {
        $this->part->log()->create([
            'user_id' => $user->id,
            'seq' => 1 + (int) $this->part->log()->max('seq'),
            'kind' => $entry->kind->value,
            'decisions' => $entry->kept(),
            'request_key' => $entry->key,
            'takes' => $entry->takes,
            'follows' => $entry->follows,
            'seen' => $entry->seen,
            'browser' => $entry->browser,
            'group_key' => $entry->group,
            'proposed' => $entry->proposed === [] ? null : $entry->proposed,
            'format' => LogEntry::FORMAT,
        ]);
    }

    /**
     * Undoing takes nothing of others away; whatever decides must not pass over what its maker has not seen.
     *
     * @param  \Closure(): ScorePart  $score
     */
    private function refuseClash(NewEntry $entry, ?LogEntry $taken, \Closure $score): void
    {
        $decisions = $entry->kind === EntryKind::Redo ? $taken?->read()->decisions ?? [] : $entry->decisions;
        if ($entry->kind === EntryKind::Undo || $decisions === []) {
            return;
        }
        $unseen = $this->part->log()->with('user')->where('seq', '>', $entry->seen)->where('browser', '!=', $entry->browser)->get();
        if ($unseen->isEmpty()) {
            return;
        }
        $part = $score();
        $own = PartDecisions::touched($part, $decisions);
        $theirs = array_values($unseen->filter(static fn (LogEntry $other): bool => array_intersect_key($own, PartDecisions::touched($part, $other->read()->decisions)) !== [])->all());
        if ($theirs !== []) {
            throw new EntryClashes($theirs);
        }
    }

    /** A figure that was decided for several parts at once is taken back, and decided again, in all of them. */
    private function takeGroup(User $user, NewEntry $entry, LogEntry $taken): void
    {
        $others = LogEntry::query()->where('group_key', $taken->group_key)->where('part_id', '!=', $this->part->id)->where('kind', EntryKind::Decide->value)
            ->whereHas('part', fn (Builder $parts): Builder => $parts->where('piece_id', $this->part->piece_id))->with('part')->get();
        foreach ($others as $other) {
            $key = Uuid::uuid5($entry->key, (string) $other->part_id)->toString();
            (new self($other->part))->write($user, new NewEntry($key, $entry->kind, takes: $other->request_key, seen: $other->seq, browser: $entry->browser, group: $entry->group));
        }
    }
}
