<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use UprightPencil\Core\Strings\Instrument;

/**
 * A section of an ensemble or, inside one, a group of its players (front desks, back desks) who were taught something else.
 *
 * @property int $id
 * @property int $ensemble_id
 * @property int|null $parent_id the section that a group belongs to
 * @property string $key under which decisions name the group
 * @property string $name
 * @property Instrument $instrument
 * @property int $stands
 * @property int|null $players how many sit there, where it is not two at every stand
 * @property array<string, mixed>|null $profile what is other than in the class or, for a group, in its section
 * @property Section|null $parent
 */
final class Section extends Model
{
    protected $fillable = ['ensemble_id', 'parent_id', 'key', 'name', 'instrument', 'stands', 'players', 'profile'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['instrument' => Instrument::class, 'profile' => 'array'];
    }

    /** @return BelongsTo<Ensemble, $this> */
    public function ensemble(): BelongsTo
    {
        return $this->belongsTo(Ensemble::class);
    }

    /** @return BelongsTo<Section, $this> */
    public function parent(): BelongsTo
    {
        return $this->belongsTo(self::class, 'parent_id');
    }

    /** @return HasMany<Section, $this> */
    public function groups(): HasMany
    {
        return $this->hasMany(self::class, 'parent_id')->orderBy('id');
    }

    /** @return HasMany<Part, $this> */
    public function parts(): HasMany
    {
        return $this->hasMany(Part::class);
    }
}
