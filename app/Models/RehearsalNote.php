<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * What went wrong somewhere in rehearsal, or only the flag that something did.
 *
 * @property int $id
 * @property int $piece_id
 * @property string $key given by whoever noted it: the same key again is the same note
 * @property int $user_id
 * @property string $from printed number of the first measure
 * @property string $to of the last
 * @property list<int> $parts none: all of them
 * @property string $what nothing: a flag that is completed afterwards
 * @property string|null $how_many one of HOW_MANY
 * @property Carbon $noted_at when it was, by the clock of who noted it
 * @property string|null $became one of BECAME; null: it is open
 * @property int|null $became_by
 * @property Piece $piece
 * @property User $user
 */
final class RehearsalNote extends Model
{
    /** Nothing went wrong: the same is wanted of everybody. */
    public const WANTED = 'wanted';

    public const HOW_MANY = ['all', 'most', 'some', 'one stand', self::WANTED];

    public const REMINDER = 'reminder';

    public const STEP = 'step';

    public const CHANGE = 'change';

    public const LET_GO = 'let-go';

    public const BECAME = [self::REMINDER, self::STEP, self::CHANGE, self::LET_GO];

    protected $fillable = ['key', 'user_id', 'from', 'to', 'parts', 'what', 'how_many', 'noted_at', 'became', 'became_by'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['parts' => 'array', 'noted_at' => 'datetime'];
    }

    public function getRouteKeyName(): string
    {
        return 'key';
    }

    /** @return BelongsTo<Piece, $this> */
    public function piece(): BelongsTo
    {
        return $this->belongsTo(Piece::class);
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
