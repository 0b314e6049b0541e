<?php

declare(strict_types=1);

namespace App\Access;

use App\Models\Ensemble;
use App\Models\Membership;
use App\Models\Part;
use App\Models\Piece;
use App\Models\Role;
use App\Models\School;
use App\Models\User;
use Illuminate\Auth\Access\Response;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Collection;

/**
 * The one place that knows who may do what; every policy asks it.
 * What somebody may not know of is not there for them: they are answered 404, not 403.
 */
final class Access
{
    private const REFUSALS = [
        'View' => 'This part is not among yours.',
        'Decide' => 'You may look at this part; its director has not asked you to decide.',
        'Final' => 'This piece is final; a director takes that back on its page.',
        'Suggest' => 'This part is not among yours.',
        'Share' => 'Handing out is for directors, and for co-teachers who decide.',
        'Direct' => 'Only a director of this ensemble may do that.',
    ];

    /** @var array<int, Collection<int, Membership>> user => memberships by ensemble */
    private array $known = [];

    public function membership(User $user, int $ensemble): ?Membership
    {
        $this->known[$user->id] ??= $user->memberships()->with('parts:parts.id')->get()->keyBy('ensemble_id');

        return $this->known[$user->id][$ensemble] ?? null;
    }

    /** Memberships have changed. */
    public function forget(): void
    {
        $this->known = [];
    }

    public function ensemble(User $user, Ability $ability, Ensemble $ensemble): Response
    {
        $membership = $this->membership($user, $ensemble->id);

        return $membership === null ? Response::denyAsNotFound() : self::answer($membership, $ability);
    }

    /** Whoever directs something in a school, or has just opened it, may open an ensemble there. */
    public function school(User $user, School $school): Response
    {
        if ($school->staff()->whereKey($user->id)->doesntExist()) {
            return Response::denyAsNotFound();
        }
        $directs = $user->memberships()->where('role', Role::Director->value)->whereRelation('ensemble', 'school_id', $school->id)->exists();

        return $directs || $school->ensembles()->doesntExist() ? Response::allow() : Response::deny('Only a director of this school may do that.');
    }

    /** Who answers for all of a school: takes it along, reads who did what, says what holds for everybody. */
    public function administers(User $user, School $school): Response
    {
        if ($school->staff()->whereKey($user->id)->doesntExist()) {
            return Response::denyAsNotFound();
        }

        return $school->administrators()->whereKey($user->id)->exists() ? Response::allow() : Response::deny('Only an administrator of this school may do that.');
    }

    /** @return list<string> names of the schools that would be without an administrator */
    public function administersAlone(User $user): array
    {
        $alone = $user->schools()->wherePivot('administrator', true)->get()
            ->filter(static fn (School $school): bool => $school->staff()->count() > 1 && $school->administrators()->count() === 1);

        return array_values($alone->map(static fn (School $school): string => $school->name)->all());
    }

    /** @return list<string> names of the ensembles that would be without a director */
    public function directedAlone(User $user): array
    {
        return array_values(Ensemble::query()
            ->whereHas('memberships', static fn (Builder $own): Builder => $own->where('user_id', $user->id)->where('role', Role::Director->value))
            ->whereDoesntHave('memberships', static fn (Builder $others): Builder => $others->where('user_id', '!=', $user->id)->where('role', Role::Director->value))
            ->orderBy('id')->pluck('name')->all());
    }

    /** Who directs every ensemble that somebody is in may stand in for their forgotten password. */
    public function answersFor(User $user, User $for): bool
    {
        $directed = $user->memberships()->where('role', Role::Director->value)->select('ensemble_id');

        return ! $user->is($for) && $for->memberships()->whereNotIn('ensemble_id', $directed)->doesntExist();
    }

    public function piece(User $user, Ability $ability, Piece $piece): Response
    {
        $membership = $this->membership($user, $piece->ensemble_id);
        if ($membership === null || ($membership->role === Role::Coach && $piece->parts()->whereKey($membership->parts->modelKeys())->doesntExist())) {
            return Response::denyAsNotFound();
        }

        return self::answer($membership, $ability);
    }

    /**
     * The parts of a piece that somebody may know of.
     *
     * @return list<int>|null null: all of them
     */
    public function partsOf(User $user, Piece $piece): ?array
    {
        $membership = $this->membership($user, $piece->ensemble_id);

        return $membership?->role === Role::Coach ? array_values($piece->partsInUse()->whereKey($membership->parts->modelKeys())->pluck('id')->all()) : null;
    }

    public function part(User $user, Ability $ability, Part $part): Response
    {
        $piece = $part->piece()->first(['ensemble_id', 'final_at']);
        $membership = $this->membership($user, $piece->ensemble_id ?? 0);
        if ($membership === null || ($membership->role === Role::Coach && ! $membership->parts->contains($part->id))) {
            return Response::denyAsNotFound();
        }

        return in_array($ability, [Ability::Decide, Ability::Suggest], true) && $piece?->final_at !== null ? Response::deny(self::REFUSALS['Final']) : self::answer($membership, $ability);
    }

    private static function answer(Membership $membership, Ability $ability): Response
    {
        return self::allows($membership->role, $membership->decides, $ability) ? Response::allow() : Response::deny(self::REFUSALS[$ability->name]);
    }

    /** @param bool $decides as the membership says; a director always does */
    public static function allows(Role $role, bool $decides, Ability $ability): bool
    {
        return match ($ability) {
            Ability::View, Ability::Suggest => true,
            Ability::Decide => $role === Role::Director || $decides,
            Ability::Share => $role === Role::Director || ($role === Role::CoTeacher && $decides),
            Ability::Direct => $role === Role::Director,
        };
    }

    /** @return list<string> what somebody may do, in words: made from what is asked, so that neither says more than the other */
    public static function words(Role $role, bool $decides): array
    {
        $parts = $role === Role::Coach ? 'the parts named' : 'every part';
        $said = [
            'View' => "sees and prints {$parts}",
            'Suggest' => 'suggests in '.($role === Role::Coach ? 'them' : 'every part').': a director takes it or leaves it',
            'Decide' => 'decides in '.($role === Role::Coach ? 'them' : 'every part'),
            'Share' => 'hands out: links for students',
            'Direct' => 'names ensemble and pieces, says what the class can and what is played, brings music in, puts away and takes away, asks people in and lets them go',
        ];

        return array_values(array_map(static fn (Ability $ability): string => $said[$ability->name], array_filter(Ability::cases(), static fn (Ability $ability): bool => self::allows($role, $decides, $ability) && ! ($ability === Ability::Suggest && self::allows($role, $decides, Ability::Decide)))));
    }

    /** @return Builder<Ensemble> those that somebody is in */
    public function ensembles(User $user): Builder
    {
        return Ensemble::query()->whereHas('memberships', static fn (Builder $memberships): Builder => $memberships->where('user_id', $user->id));
    }
}
