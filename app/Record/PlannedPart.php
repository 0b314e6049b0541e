<?php

declare(strict_types=1);

namespace App\Record;

use App\Marking\Players;
use App\Models\LogEntry;
use App\Models\Part;
use App\Models\User;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\EntryKind;
use UprightPencil\Core\Marking\NoteIndex;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\Record;
use UprightPencil\Core\Marking\RecordEntry;
use UprightPencil\Core\Marking\WrongDecision;

/** A part into whose record a plan is to write: how the record is now, and how it would be. */
final class PlannedPart
{
    /** Number of the newest entry. */
    public readonly int $newest;

    private readonly PartRecord $log;

    /** With what the plan puts into it; null while nobody has to know. */
    private ?Record $record = null;

    private readonly ?Prescribed $prescribed;

    private readonly int $version;

    /** @var list<Part>|null */
    private ?array $derived = null;

    private ?NoteIndex $names = null;

    public function __construct(public readonly Part $part)
    {
        $this->log = new PartRecord($part);
        [$this->newest] = $this->log->newest();
        $this->prescribed = Prescribed::in($part->piece_id);
        $this->version = self::versionOf($part);
    }

    /** Names the notes of the part as they are. */
    private static function versionOf(Part $part): int
    {
        return (int) $part->versions()->reorder()->max('id');
    }

    public function entry(string $key): ?LogEntry
    {
        return $this->part->log()->where('request_key', $key)->first();
    }

    /** @return list<Part> that were made from it */
    public function derived(): array
    {
        return $this->derived ??= array_values(Deriving::from($this->part)->get()->all());
    }

    /**
     * @param  list<Decision>  $decisions
     *
     * @throws WrongDecision when one names a note or measure that this part does not have
     */
    public function refuseUnknown(array $decisions, ?Players $players): void
    {
        NoteNames::refuseUnknown($this->part, $this->log->typedOver(), $decisions, $players);
    }

    private function names(): NoteIndex
    {
        return $this->names ??= NoteNames::played($this->part, $this->log->typedOver());
    }

    /**
     * Undoing takes nothing of others away; whatever decides must not pass over what its maker has not seen.
     *
     * @param  LogEntry|null  $taken  the entry that it undoes or redoes
     * @param  int  $seen  the newest entry of others that its maker saw
     *
     * @throws EntryClashes when somebody else decided about the same notes meanwhile
     */
    public function refuseClash(NewEntry $entry, ?LogEntry $taken, int $seen): void
    {
        $decisions = $entry->kind === EntryKind::Redo ? $taken?->read()->decisions ?? [] : $entry->decisions;
        if ($entry->kind === EntryKind::Undo || $decisions === [] || $seen >= $this->newest) {
            return;
        }
        $unseen = $this->part->log()->with('user')->where('seq', '>', $seen)->where('browser', '!=', $entry->browser)->get();
        if ($unseen->isEmpty()) {
            return;
        }
        $own = PartDecisions::touched($this->names(), $decisions);
        $about = fn (LogEntry $other): array => PartDecisions::touched($this->names(), $other->read()->decisions);
        $touches = static fn (LogEntry $other): bool => array_intersect_key($own, $about($other)) !== [];
        $theirs = array_values($unseen->filter($touches)->all());
        if ($theirs !== []) {
            throw new EntryClashes($theirs);
        }
    }

    /** Number of the entry that took another back last; of that entry itself where nobody has. */
    public function takenBackAt(LogEntry $entry): int
    {
        $undone = $this->part->log()->where(['takes' => $entry->request_key, 'kind' => EntryKind::Undo->value])->max('seq');

        return max($entry->seq, (int) $undone);
    }

    /** @throws WrongDecision when it would bow something otherwise than is prescribed */
    public function put(User $by, NewEntry $entry): void
    {
        if ($this->prescribed === null) {
            return;
        }
        $before = $this->record ?? $this->log->record();
        $this->record = clone $before;
        $this->record->append(RecordEntry::read($entry->key, $entry->kind->value, $by->id, $entry->takes, $entry->kept()));
        $this->prescribed->refuse($this->part, $this->names(...), $before, $this->record);
    }

    /** Whether the part and its record are as they were; asked in the turn to write. */
    public function isStillSo(): bool
    {
        return $this->log->newest()[0] === $this->newest
            && self::versionOf($this->part) === $this->version
            && Prescribed::in($this->part->piece_id)?->id === $this->prescribed?->id
            && ($this->derived === null || Deriving::from($this->part)->pluck('id')->all() === array_column($this->derived, 'id'));
    }
}
