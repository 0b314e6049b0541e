<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * @property int $id
 * @property string $name
 * @property int|null $idle_minutes after which whoever does nothing is signed out
 * @property string|null $time_zone where its days are reckoned; null: as on the server
 * @property int|null $audit_days that the audit list is kept; null: as long as the installation keeps it
 */
final class School extends Model
{
    protected $fillable = ['name', 'idle_minutes', 'audit_days', 'time_zone'];

    /** Days that an installation keeps the audit lists of its schools. */
    public static function longestAudit(): int
    {
        return (int) config('serving.audit_days');
    }

    public function auditDays(): int
    {
        return min($this->audit_days ?? PHP_INT_MAX, self::longestAudit());
    }

    /** @return BelongsToMany<User, $this> */
    public function staff(): BelongsToMany
    {
        return $this->belongsToMany(User::class)->withPivot('administrator');
    }

    /** @return BelongsToMany<User, $this> who answers for all of it; there is one always */
    public function administrators(): BelongsToMany
    {
        return $this->staff()->wherePivot('administrator', true);
    }

    /** Who opens a school answers for it. */
    public function beginWith(User $first): void
    {
        $administrates = $this->administrators()->doesntExist();
        $this->staff()->syncWithoutDetaching([$first->id => $administrates ? ['administrator' => true] : []]);
    }

    /**
     * Somebody answers for the school, or does no more.
     *
     * @return bool false where nobody would be left; then nothing is changed
     */
    public function putAdministrator(User $who, bool $is): bool
    {
        if (! $is && $this->administrators()->where('users.id', '!=', $who->id)->doesntExist()) {
            return false;
        }
        $this->staff()->updateExistingPivot($who->id, ['administrator' => $is]);

        return true;
    }

    /** @return HasMany<Ensemble, $this> */
    public function ensembles(): HasMany
    {
        return $this->hasMany(Ensemble::class);
    }

    /**
     * An ensemble with its first director.
     *
     * @param  array<string, mixed>  $profile
     * @param  array<string, mixed>  $style
     */
    public function openEnsemble(User $director, string $name, array $profile, string $year = '', array $style = []): Ensemble
    {
        $this->beginWith($director);
        $ensemble = $this->ensembles()->create(['name' => $name, 'year' => $year, 'profile' => $profile, 'style' => $style]);
        $ensemble->memberships()->create(['user_id' => $director->id, 'role' => Role::Director, 'decides' => true]);
        $ensemble->keepProfile($director, $profile, $style);

        return $ensemble;
    }
}
