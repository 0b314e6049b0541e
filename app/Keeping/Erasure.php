<?php

declare(strict_types=1);

namespace App\Keeping;

use App\Models\Ensemble;
use App\Models\Membership;
use App\Models\Part;
use App\Models\Piece;
use App\Models\Role;
use App\Models\School;
use App\Models\User;
use App\Record\Door;
use App\Record\Turn;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Takes things away for good. The record refuses to be changed by anybody else: here, inside one transaction, its guard is
 * lifted and put back, and that it was is kept.
 */
final class Erasure
{
    public static function piece(Piece $piece, User $by): void
    {
        Turn::take(static function () use ($piece, $by): void {
            self::kept('piece', $piece->title, self::withoutPiece($piece), $by, $piece->ensemble);
        });
    }

    public static function part(Part $part, User $by): void
    {
        Turn::take(static function () use ($part, $by): void {
            self::kept('part', "{$part->piece->title}: {$part->name}", self::withoutParts([$part->id]), $by, $part->piece->ensemble);
        });
    }

    /** @return int entries of its records */
    private static function withoutPiece(Piece $piece): int
    {
        $entries = self::withoutParts(array_values($piece->parts()->pluck('id')->all()));
        self::withoutManuscripts('piece_id', [$piece->id]);
        foreach (['performance_orders', 'passages', 'rehearsal_notes', 'prescriptions'] as $table) {
            DB::table($table)->where('piece_id', $piece->id)->delete();
        }
        $piece->delete();

        return $entries;
    }

    /**
     * @param  list<int>  $parts
     * @return int entries of their records
     */
    private static function withoutParts(array $parts): int
    {
        $entries = Door::erase($parts);
        PageFiles::drop(static fn (Builder $pages): Builder => $pages->whereIn('part_id', $parts));
        self::withoutManuscripts('part_id', $parts);
        self::withoutHandouts($parts);
        foreach (['suggestion_answers', 'practice_sheets', 'share_links', 'membership_part', 'part_stands', 'gone_decisions', 'part_versions'] as $table) {
            DB::table($table)->whereIn('part_id', $parts)->delete();
        }
        DB::table('parts')->whereIn('derived_from', $parts)->update(['derived_from' => null]);
        DB::table('parts')->whereIn('id', $parts)->delete();

        return $entries;
    }

    /** @param list<int> $ids */
    private static function withoutManuscripts(string $column, array $ids): void
    {
        $manuscripts = DB::table('manuscripts')->whereIn($column, $ids);
        PageFiles::drop(static fn (Builder $pages): Builder => $pages->whereIn('manuscript_id', $manuscripts->clone()->select('id')));
        $manuscripts->delete();
    }

    /** What somebody decided stays, as a former teacher's; their name, address and all else of them goes. */
    public static function person(User $person, ?User $by): void
    {
        Turn::take(static function () use ($person, $by): void {
            $schools = $person->schools()->pluck('schools.id');
            self::kept('person', '', 0, $by);
            self::forget($person);
            $schools->each(static fn (mixed $school): bool => AuditList::note(Audited::Erased, $by, (int) $school, 'a person'));
            $person->forceFill(['name' => 'A former teacher', 'email' => "former-{$person->id}@erased.invalid", 'password' => Str::random(60), 'style' => [], 'code_secret' => null, 'code_since' => null, 'recovery_codes' => null])->save();
        });
    }

    private static function forget(User $person): void
    {
        $person->memberships()->delete();
        $person->devices()->delete();
        DB::table('habit_answers')->where('user_id', $person->id)->delete();
        AuditList::forget($person);
        foreach ($person->schools()->get() as $school) {
            $person->schools()->detach($school->id);
            self::keepAdministered($school);
        }
        self::withoutManuscripts('user_id', [$person->id]);
        DB::table('invitations')->where('email', $person->email)->delete();
        DB::table('password_reset_tokens')->where('email', $person->email)->delete();
    }

    /** A school is never without somebody who answers for it: whoever has directed there the longest. */
    private static function keepAdministered(School $school): void
    {
        if ($school->administrators()->exists()) {
            return;
        }
        $directors = Membership::query()->where('role', Role::Director->value)->whereRelation('ensemble', 'school_id', $school->id);
        $next = $directors->orderBy('id')->value('user_id') ?? $school->staff()->min('users.id');
        $next === null || $school->staff()->updateExistingPivot((int) $next, ['administrator' => true]);
    }

    /** With all its ensembles, its music, what was decided in it, and the people who are in no other school. */
    public static function school(School $school): int
    {
        return Turn::take(static function () use ($school): int {
            $entries = 0;
            foreach ($school->ensembles()->get() as $ensemble) {
                $entries += self::ensemble($ensemble);
            }
            foreach ($school->staff()->get() as $person) {
                $school->staff()->detach($person->id);
                $person->schools()->exists() || $person->memberships()->exists() || self::person($person, null);
            }
            self::kept('school', $school->name, $entries, null);
            DB::table('audit_events')->where('school_id', $school->id)->delete();
            $school->delete();

            return $entries;
        });
    }

    private static function ensemble(Ensemble $ensemble): int
    {
        $entries = 0;
        foreach ($ensemble->pieces()->get() as $piece) {
            $entries += self::withoutPiece($piece);
        }
        $ensemble->memberships()->delete();
        self::withoutManuscripts('ensemble_id', [$ensemble->id]);
        foreach (['habit_answers', 'invitations', 'profile_versions', 'occasions'] as $table) {
            DB::table($table)->where('ensemble_id', $ensemble->id)->delete();
        }
        DB::table('sections')->where('ensemble_id', $ensemble->id)->whereNotNull('parent_id')->delete();
        DB::table('sections')->where('ensemble_id', $ensemble->id)->delete();
        $ensemble->delete();

        return $entries;
    }

    private static function kept(string $what, string $name, int $entries, ?User $by, ?Ensemble $in = null): void
    {
        $in === null || AuditList::ofEnsemble(Audited::Erased, $by, $in, "{$what} {$name}");
        DB::table('erasures')->insert(['user_id' => $by?->id, 'what' => $what, 'name' => $name, 'entries' => $entries, 'created_at' => now()]);
    }

    /**
     * What was handed out goes with its part; what other handouts have in common with it stays.
     *
     * @param  list<int>  $parts
     */
    private static function withoutHandouts(array $parts): void
    {
        $handouts = DB::table('handouts')->whereIn('part_id', $parts);
        if ($handouts->exists()) {
            Guard::of(DB::connection(), 'handout_files')->lifted(static fn () => DB::table('handout_files')->whereIn('handout_id', $handouts->clone()->select('id'))->delete());
            Guard::of(DB::connection(), 'frozen')->lifted(static fn () => DB::table('frozen')->whereNotIn('hash', DB::table('handout_files')->select('hash'))->delete());
            $handouts->delete();
        }
    }
}
