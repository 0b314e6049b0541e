<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A browser in which somebody is signed in. Taken away, it is signed out.
 *
 * @property int $id
 * @property int $user_id
 * @property string $agent what the browser calls itself
 * @property Carbon $seen_at
 * @property Carbon $created_at
 */
final class Device extends Model
{
    public const UPDATED_AT = null;

    protected $fillable = ['user_id', 'agent', 'seen_at'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['seen_at' => 'datetime'];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** “Firefox on Linux”. */
    public function called(): string
    {
        $first = fn (array $names): ?string => array_values(array_filter($names, fn (string $name): bool => str_contains($this->agent, $name)))[0] ?? null;
        $browser = $first(['Edg', 'OPR', 'Firefox', 'Chrome', 'Safari']);
        $system = $first(['Android', 'iPhone', 'iPad', 'Windows', 'CrOS', 'Mac OS', 'Linux']);

        return (['Edg' => 'Edge', 'OPR' => 'Opera'][$browser] ?? $browser ?? 'A browser').($system === null ? '' : ' on '.(['CrOS' => 'a Chromebook', 'Mac OS' => 'a Mac', 'Android' => 'an Android device', 'iPhone' => 'an iPhone', 'iPad' => 'an iPad'][$system] ?? $system));
    }
}
