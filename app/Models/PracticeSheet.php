<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Exercises for a passage of a part that go out with its next handout. What they are made of is worked out when it is asked for.
 *
 * @property int $id
 * @property int $part_id
 * @property int $user_id
 * @property string $key given by whoever made it: the same key again is the same sheet
 * @property string $from printed number of the first measure
 * @property string $to of the last
 * @property list<string> $kinds of exercise
 * @property int|null $minutes that it has to fit
 * @property Part $part
 * @property User $user
 */
final class PracticeSheet extends Model
{
    protected $fillable = ['user_id', 'key', 'from', 'to', 'kinds', 'minutes'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['kinds' => 'array'];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return BelongsTo<Part, $this> */
    public function part(): BelongsTo
    {
        return $this->belongsTo(Part::class);
    }
}
