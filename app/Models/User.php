<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Foundation\Auth\User as Authenticatable;
use Illuminate\Notifications\Notifiable;
use Illuminate\Support\Carbon;

/**
 * Somebody of a school's staff.
 *
 * @property int $id
 * @property string $name
 * @property string $email
 * @property array<string, mixed> $style how they write marks, where an ensemble does not say otherwise
 * @property string|null $code_secret of the codes beside the password (`SecondFactor`)
 * @property Carbon|null $code_since when they began to be asked for
 * @property int $code_step
 * @property list<string>|null $recovery_codes hashes
 */
final class User extends Authenticatable
{
    use Notifiable;

    protected $fillable = ['name', 'email', 'password', 'style'];

    protected $hidden = ['password', 'code_secret', 'recovery_codes'];

    /** @var array<string, mixed> */
    protected $attributes = ['style' => '{}', 'code_secret' => null, 'code_since' => null, 'code_step' => 0, 'recovery_codes' => null];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['password' => 'hashed', 'style' => 'array', 'code_secret' => 'encrypted', 'code_since' => 'datetime', 'recovery_codes' => 'array'];
    }

    /** @return HasMany<Membership, $this> */
    public function memberships(): HasMany
    {
        return $this->hasMany(Membership::class);
    }

    /** @return BelongsToMany<School, $this> */
    public function schools(): BelongsToMany
    {
        return $this->belongsToMany(School::class)->withPivot('administrator');
    }

    /** @return HasMany<Device, $this> */
    public function devices(): HasMany
    {
        return $this->hasMany(Device::class);
    }

    /** Whether a code is asked for beside the password. */
    public function givesCode(): bool
    {
        return $this->code_since !== null;
    }

    /** Nobody is remembered beyond the session. */
    public function getRememberTokenName(): string
    {
        return '';
    }
}
