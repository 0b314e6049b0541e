<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;
use UprightPencil\Core\Bowing\Marks\BowingSchool;

/**
 * A work in parts, or a lesson line.
 *
 * @property int $id
 * @property int $ensemble_id
 * @property string $title
 * @property string $composer
 * @property string $kind piece or line
 * @property Rights $rights
 * @property BowingSchool $bowing
 * @property string $source the whole score as MusicXML
 * @property string $request_key
 * @property int $place on the shelf
 * @property Carbon|null $put_away_at
 * @property Ensemble $ensemble
 */
final class Piece extends Model
{
    protected $fillable = ['title', 'composer', 'kind', 'rights', 'bowing', 'source', 'request_key', 'place', 'put_away_at'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['rights' => Rights::class, 'bowing' => BowingSchool::class, 'put_away_at' => 'datetime'];
    }

    /** @return BelongsTo<Ensemble, $this> */
    public function ensemble(): BelongsTo
    {
        return $this->belongsTo(Ensemble::class);
    }

    /** @return HasMany<Part, $this> */
    public function parts(): HasMany
    {
        return $this->hasMany(Part::class)->orderBy('place');
    }
}
