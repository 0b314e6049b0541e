<?php

declare(strict_types=1);

namespace App\Record;

use App\Access\Ability;
use App\Access\Access;
use App\Keeping\Guard;
use App\Models\LogEntry;
use App\Models\Part;
use App\Models\User;
use Illuminate\Auth\Access\AuthorizationException;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\EntryKind;
use UprightPencil\Core\Marking\WrongDecision;

/**
 * The one door into the records of parts. Whatever is written there, a decision, undo, redo, a group over several parts, what a
 * part takes over from its source, comes through here and is looked at in one place: who may, what is prescribed, what others
 * decided meanwhile, and whether it could be read back.
 */
final readonly class Door
{
    /** Decisions in one entry of the application's own: few enough that it can be looked through. */
    private const AT_ONCE = 200;

    public function __construct(private Access $access) {}

    /**
     * Appends entries to the records of all parts that they bear on, or to none. The same key again is the same entry.
     *
     * @param  list<Entering>  $entries
     *
     * @throws AuthorizationException when one of the parts that would be touched is not the actor's to decide
     * @throws WrongDecision when it names what is not there, or would bow something otherwise than is prescribed
     * @throws EntryClashes when somebody else decided about the same notes meanwhile
     * @throws EntryOutOfOrder when it names an entry that is not there
     * @throws TurnLost
     */
    public function append(User $by, array $entries): void
    {
        Turn::finish(function () use ($by, $entries): Finished {
            $plan = $this->plan($by, $entries);

            return new Finished($plan->holds(...), $plan->write(...));
        });
    }

    /**
     * The same thought through, to be written in one turn with something else.
     *
     * @param  list<Entering>  $entries
     * @param  Ability  $as  what the actor has to be able to do with each part: whoever directs a part may correct its notes
     *
     * @throws AuthorizationException|WrongDecision|EntryClashes|EntryOutOfOrder
     */
    public function plan(User $by, array $entries, Ability $as = Ability::Decide): Plan
    {
        Turn::outside('thinking an entry through');
        $plan = new Plan($this->access, $by, $as);
        foreach ($entries as $entering) {
            $plan->add($entering);
        }

        return $plan;
    }

    /**
     * What the application decides in somebody's name.
     *
     * @param  list<Decision>  $decisions
     * @return list<NewEntry>
     */
    public static function entriesOf(array $decisions): array
    {
        return array_map(
            static fn (array $some): NewEntry => new NewEntry(Str::uuid()->toString(), EntryKind::Decide, $some, seen: NewEntry::ALL_SEEN),
            array_chunk($decisions, self::AT_ONCE),
        );
    }

    /**
     * What a part that is being made in this turn begins with: nobody can have decided in it, and it was looked at where it came from.
     *
     * @param  list<Decision>  $decisions
     */
    public static function begin(User $by, Part $made, array $decisions): void
    {
        foreach (self::entriesOf($decisions) as $index => $entry) {
            self::write($made, $by, 1 + $index, $entry);
        }
    }

    /**
     * A part that comes from another school's records brings its own along.
     *
     * @param  list<array<string, mixed>>  $entries  rows as they were there, oldest first
     */
    public static function bringAlong(Part $made, array $entries): void
    {
        Turn::inside('a record that comes along');
        foreach ($entries as $entry) {
            $made->log()->forceCreate($entry);
        }
    }

    /**
     * The only way past the record's triggers, for who may erase; inside its turn.
     *
     * @param  list<int>  $parts
     * @return int how many entries there were
     */
    public static function erase(array $parts): int
    {
        Turn::inside('the end of a record');
        $entries = static fn (): Builder => DB::table('log_entries')->whereIn('part_id', $parts);
        $count = $entries()->count();
        Guard::of(DB::connection(), 'log_entries')->lifted(static fn (): int => $entries()->delete());

        return $count;
    }

    /** @internal asked by a plan only, in its turn */
    public static function write(Part $part, User $by, int $seq, NewEntry $entry): void
    {
        Turn::inside('an entry of a record');
        $part->log()->create([
            'user_id' => $by->id,
            'seq' => $seq,
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
}
