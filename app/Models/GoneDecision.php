<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * What was decided about a note that a newer version of its part does not have.
 *
 * @property int $id
 * @property int $part_id
 * @property int $part_version_id the version that came without it
 * @property string $note its id
 * @property string $measure where it stood
 * @property float $beat
 * @property string $pitch as people say it
 * @property string|null $players the group of players whom it was for
 * @property array<string, mixed> $fields what was decided
 * @property string|null $became placed or let go; null: nobody has said yet
 * @property int|null $user_id who said
 * @property Carbon $created_at
 * @property Part $part
 * @property PartVersion $version
 */
final class GoneDecision extends Model
{
    public const PLACED = 'placed';

    public const LET_GO = 'let go';

    protected $fillable = ['part_id', 'part_version_id', 'note', 'measure', 'beat', 'pitch', 'players', 'fields', 'became', 'user_id'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['fields' => 'array', 'beat' => 'float'];
    }

    /** @return BelongsTo<Part, $this> */
    public function part(): BelongsTo
    {
        return $this->belongsTo(Part::class);
    }

    /** @return BelongsTo<PartVersion, $this> */
    public function version(): BelongsTo
    {
        return $this->belongsTo(PartVersion::class, 'part_version_id');
    }
}
