<?php

declare(strict_types=1);

namespace App\Record;

use App\Marking\Cached;
use App\Marking\CoreCode;
use App\Marking\OpenParts;
use App\Models\LogEntry;
use App\Models\Part;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\EntryKind;
use UprightPencil\Core\Marking\Kinds\Rewrite;
use UprightPencil\Core\Marking\Record;

/** What is in the record of a part. */
final class PartRecord
{
    /** So many entries are worked out at once without ado. */
    private const KEPT_EVERY = 50;

    private ?Record $record = null;

    public function __construct(private readonly Part $part) {}

    /** What is in the record: as it was kept, with what came since. */
    public function record(): Record
    {
        if ($this->record !== null) {
            return $this->record;
        }
        Turn::outside('working out a record');
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

    /** @return list<Decision> what counts, where anything of it may be typed over the print; else nothing has to be read */
    public function typedOver(): array
    {
        $may = $this->part->log()->where('decisions', 'like', '%"'.Rewrite::FIELD.'"%')->exists();

        return $may ? $this->record()->decisions() : [];
    }

    /**
     * How many entries of a part's record decide and were not taken back since: to be asked with the part, of an index only.
     */
    public static function counted(): Builder
    {
        $all = static fn (string $entry): Builder => DB::table("log_entries as {$entry}");
        $of = static fn (string $entry, EntryKind $kind): Builder => $all($entry)->where("{$entry}.kind", $kind->value);
        $again = $of('again', EntryKind::Redo)->selectRaw('1')->whereColumn('again.part_id', 'undone.part_id')
            ->whereColumn('again.takes', 'undone.takes')->whereColumn('again.seq', '>', 'undone.seq');
        $undone = $of('undone', EntryKind::Undo)->whereColumn('undone.part_id', 'parts.id')->whereNotExists($again);
        $decided = $of('decided', EntryKind::Decide)->whereColumn('decided.part_id', 'parts.id');

        $decided->selectRaw('count(*)');
        $undone->selectRaw('count(distinct undone.takes)');

        $bindings = [...$decided->getBindings(), ...$undone->getBindings()];

        return DB::query()->selectRaw("({$decided->toSql()}) - ({$undone->toSql()})", $bindings);
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
        $isThere = $this->part->log()->where('seq', $kept[0])->where('request_key', $kept[1] ?? '')->exists();

        return $isThere ? [$kept[0], $kept[2]] : [0, new Record];
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
}
