<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * What of a piece is played, as somebody decided it; the newest holds.
 *
 * @property int $id
 * @property array<string, mixed> $order
 * @property Carbon $created_at
 * @property User $user
 */
final class PerformanceOrder extends Model
{
    public const UPDATED_AT = null;

    protected $fillable = ['user_id', 'order'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['order' => 'array'];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
