<?php

declare(strict_types=1);

namespace App\Record;

use App\Access\Ability;
use App\Access\Access;
use App\Models\LogEntry;
use App\Models\Part;
use App\Models\User;
use Illuminate\Auth\Access\AuthorizationException;
use Illuminate\Auth\Access\Response;
use Illuminate\Database\Eloquent\Builder;
use Ramsey\Uuid\Uuid;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\EntryKind;
use UprightPencil\Core\Marking\WrongDecision;

/**
 * Entries thought through against the records as they are: which rows they become, in all parts that they bear on. It rests on
 * the newest entries, on what the actor may, on what is prescribed and on which parts follow others; while all that is so, it
 * may be written.
 */
final class Plan
{
    private const NOT_ALL_YOURS = 'This was decided in several parts at once, and not all of them are yours. A director takes it back.';

    /** @var array<int, PlannedPart> */
    private array $parts = [];

    /** @var list<array{Part, NewEntry}> */
    private array $rows = [];

    /** @var array<string, array{Ability, Part, bool}> what was asked about the actor, and whether they may */
    private array $asked = [];

    public function __construct(private readonly Access $access, private readonly User $by, private readonly Ability $as) {}

    /** @throws AuthorizationException|WrongDecision|EntryClashes|EntryOutOfOrder */
    public function add(Entering $entering): void
    {
        $part = $entering->part;
        $entry = $this->permitted($part, $entering->entry->for($entering->players));
        $planned = $this->planned($part);
        if ($planned->entry($entry->key) !== null) {
            return;
        }
        $taken = $entry->takes === null ? null : $planned->entry($entry->takes) ?? throw new EntryOutOfOrder;
        if ($entry->follows !== null && $planned->entry($entry->follows) === null) {
            throw new EntryOutOfOrder;
        }
        // What is said again about other notes was looked at where it came from.
        $this->as !== Ability::Decide || $planned->refuseUnknown($entry->decisions, $entering->players);
        $planned->refuseClash($entry, $taken, $entry->seen);
        $following = $this->following($planned, $entry);
        // What parts that were made from this one take over is one with it, and is taken back with it.
        $entry = $following === [] || $entry->group !== null ? $entry : $entry->in(Uuid::uuid5($entry->key, 'derived')->toString());
        $this->put($planned, $entry);
        foreach ($following as [$derived, $decisions]) {
            $key = Uuid::uuid5($entry->key, "derived {$derived->id}")->toString();
            $own = new NewEntry($key, EntryKind::Decide, $decisions, null, null, NewEntry::ALL_SEEN, $entry->browser, $entry->group);
            $this->put($this->planned($derived), $own);
        }
        $taken?->group_key === null || $this->takeGroup($part, $entry, $taken->group_key);
    }

    /**
     * Who does not decide suggests; what is one over several parts is not suggested.
     *
     * @throws AuthorizationException
     */
    private function permitted(Part $part, NewEntry $entry): NewEntry
    {
        $answer = $this->may($this->as, $part);
        if ($answer->allowed()) {
            return $entry;
        }
        if ($this->as !== Ability::Decide || $entry->group !== null) {
            $answer->authorize();
        }
        $this->may(Ability::Suggest, $part)->authorize();

        return Suggestions::asSuggested($part, $this->by, $entry);
    }

    private function may(Ability $ability, Part $part): Response
    {
        $answer = $this->access->part($this->by, $ability, $part);
        $this->asked["{$ability->name} {$part->id}"] = [$ability, $part, $answer->allowed()];

        return $answer;
    }

    private function planned(Part $part): PlannedPart
    {
        return $this->parts[$part->id] ??= new PlannedPart($part);
    }

    /**
     * The piece's page tells of the parts that would follow and are not the actor's.
     *
     * @return list<array{Part, non-empty-list<Decision>}> the parts that follow
     */
    private function following(PlannedPart $source, NewEntry $entry): array
    {
        if ($entry->kind !== EntryKind::Decide) {
            return [];
        }
        $own = array_filter($source->derived(), fn (Part $part): bool => $this->may(Ability::Decide, $part)->allowed());

        return Deriving::following($source->part, $entry->decisions, array_values($own));
    }

    /**
     * A figure that was decided for several parts at once is taken back, and decided again, in all of them.
     *
     * @throws AuthorizationException where one of them is not the actor's
     */
    private function takeGroup(Part $part, NewEntry $entry, string $group): void
    {
        $others = LogEntry::query()->where('group_key', $group)->where('part_id', '!=', $part->id)->where('kind', EntryKind::Decide->value)
            ->whereHas('part', static fn (Builder $parts): Builder => $parts->where('piece_id', $part->piece_id))
            ->with('part')->get();
        foreach ($others as $other) {
            $this->may(Ability::Decide, $other->part)->allowed() || throw new AuthorizationException(self::NOT_ALL_YOURS);
            $planned = $this->planned($other->part);
            $key = Uuid::uuid5($entry->key, (string) $other->part_id)->toString();
            $own = new NewEntry($key, $entry->kind, [], $other->request_key, null, $other->seq, $entry->browser, $entry->group);
            $planned->refuseClash($own, $other, $planned->takenBackAt($other));
            $this->put($planned, $own);
        }
    }

    /** @throws WrongDecision when it would bow something otherwise than is prescribed */
    private function put(PlannedPart $planned, NewEntry $entry): void
    {
        $planned->put($this->by, $entry);
        $this->rows[] = [$planned->part, $entry];
    }

    /** Whether all that it rests on is still so; asked in the turn to write. */
    public function holds(): bool
    {
        foreach ($this->parts as $planned) {
            if (! $planned->isStillSo()) {
                return false;
            }
        }
        $this->access->forget();
        foreach ($this->asked as [$ability, $part, $may]) {
            if ($this->access->part($this->by, $ability, $part)->allowed() !== $may) {
                return false;
            }
        }

        return true;
    }

    /** Whether there is nothing to write: it is there already. */
    public function isEmpty(): bool
    {
        return $this->rows === [];
    }

    public function write(): void
    {
        $next = array_map(static fn (PlannedPart $planned): int => $planned->newest, $this->parts);
        foreach ($this->rows as [$part, $entry]) {
            Door::write($part, $this->by, ++$next[$part->id], $entry);
        }
    }
}
