<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * Somebody is asked into an ensemble, by a link with a token of which only a hash is kept.
 *
 * @property int $id
 * @property int $ensemble_id
 * @property int $user_id who asked
 * @property string $email
 * @property Role $role
 * @property bool $decides
 * @property list<int> $parts ids, for a coach
 * @property string $token_hash
 * @property Carbon $expires_at
 * @property Carbon|null $accepted_at
 * @property Carbon|null $taken_back_at
 * @property Ensemble $ensemble
 * @property User $user
 */
final class Invitation extends Model
{
    public const DAYS = 14;

    protected $fillable = ['user_id', 'email', 'role', 'decides', 'parts', 'token_hash', 'expires_at'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['role' => Role::class, 'decides' => 'boolean', 'parts' => 'array', 'expires_at' => 'datetime', 'accepted_at' => 'datetime', 'taken_back_at' => 'datetime'];
    }

    /** @return BelongsTo<Ensemble, $this> */
    public function ensemble(): BelongsTo
    {
        return $this->belongsTo(Ensemble::class);
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @param Builder<self> $invitations */
    public function scopeOpen(Builder $invitations): void
    {
        $invitations->whereNull('accepted_at')->whereNull('taken_back_at')->where('expires_at', '>', now());
    }

    /** @return Builder<self> the open one with this token */
    public static function withToken(string $token): Builder
    {
        return self::query()->open()->where('token_hash', Token::hashOf($token));
    }
}
