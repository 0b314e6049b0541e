<?php

declare(strict_types=1);

namespace App\Models;

use App\Sharing\NewestHandout;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A marked part as it was given to students: frozen, whatever is decided or worked out later.
 *
 * @property int $id
 * @property int $part_id
 * @property int $number of the part, from 1; 0 is what old printed copies have
 * @property string $audience nothing: everybody; a group of players, or a chair, by its key
 * @property string $audience_name
 * @property int $user_id
 * @property string $key of the act by which it was handed out
 * @property int $seq newest entry of the record
 * @property bool $proposals whether what nobody decided is on it too
 * @property array<string, mixed> $profile of that day
 * @property array<string, mixed> $style of that day
 * @property string $base names the notes of that day
 * @property Carbon $created_at
 * @property Carbon|null $withdrawn_at
 * @property Part $part
 * @property User $user
 */
final class Handout extends Model
{
    /** What used or borrowed printed copies have: slips begin there. */
    public const OLD_SET = NewestHandout::OLD_SET;

    public const UPDATED_AT = null;

    protected $fillable = ['number', 'audience', 'audience_name', 'user_id', 'key', 'seq', 'proposals', 'profile', 'style', 'base', 'withdrawn_at', 'withdrawn_by'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['proposals' => 'boolean', 'profile' => 'array', 'style' => 'array', 'withdrawn_at' => 'datetime'];
    }

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
