<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;

/**
 * Somebody in an ensemble.
 *
 * @property int $id
 * @property int $ensemble_id
 * @property int $user_id
 * @property Role $role
 * @property bool $decides a co-teacher or coach who does not may look, listen and print
 * @property User $user
 * @property Ensemble $ensemble
 */
final class Membership extends Model
{
    protected $fillable = ['user_id', 'role', 'decides'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['role' => Role::class, 'decides' => 'boolean'];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return BelongsTo<Ensemble, $this> */
    public function ensemble(): BelongsTo
    {
        return $this->belongsTo(Ensemble::class);
    }

    /** @return BelongsToMany<Part, $this> those that a coach is named for */
    public function parts(): BelongsToMany
    {
        return $this->belongsToMany(Part::class);
    }
}
