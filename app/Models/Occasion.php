<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;

/**
 * A concert or a rehearsal of an ensemble.
 *
 * @property int $id
 * @property int $ensemble_id
 * @property string $kind concert or rehearsal
 * @property string $name
 * @property Carbon $on the day
 * @property string|null $starts the hour, as 19:30
 * @property int|null $minutes how long it is
 * @property list<array{key: string, passes: int, talk: int, words?: string|null}>|null $plan what is rehearsed, in this order; null: as it is proposed
 * @property list<string>|null $sections instruments that come to a sectional; null: everybody
 * @property Carbon|null $updated_at
 * @property Ensemble $ensemble
 */
final class Occasion extends Model
{
    public const CONCERT = 'concert';

    public const REHEARSAL = 'rehearsal';

    protected $fillable = ['kind', 'name', 'on', 'starts', 'minutes', 'plan', 'sections'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['on' => 'date', 'plan' => 'array', 'sections' => 'array'];
    }

    /** @return BelongsTo<Ensemble, $this> */
    public function ensemble(): BelongsTo
    {
        return $this->belongsTo(Ensemble::class);
    }

    /** @return HasMany<Piece, $this> what is played there */
    public function pieces(): HasMany
    {
        return $this->hasMany(Piece::class);
    }
}
