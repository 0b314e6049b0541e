<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * The notes of a part as they were once, or are now.
 *
 * @property int $id
 * @property int $part_id
 * @property int|null $user_id who changed them; null: as they first came
 * @property string $how
 * @property string $music MusicXML
 * @property string $source the name of the file that it came from, where it came from one
 * @property int|null $back_to the version that was brought back
 * @property Carbon $created_at
 * @property Part $part
 * @property User|null $user
 */
final class PartVersion extends Model
{
    public const IMPORTED = 'imported';

    public const TYPED = 'typed';

    public const CORRECTED = 'corrected';

    public const BROUGHT_BACK = 'brought back';

    public const UPDATED_AT = null;

    protected $fillable = ['user_id', 'how', 'music', 'source', 'back_to', 'created_at'];

    /** @return BelongsTo<Part, $this> */
    public function part(): BelongsTo
    {
        return $this->belongsTo(Part::class);
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
