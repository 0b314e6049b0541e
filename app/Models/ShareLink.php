<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A way for students to see one marked part. Only a hash of the token is kept.
 *
 * @property int $id
 * @property int $part_id
 * @property string $token_hash
 * @property Carbon $expires_at
 * @property Carbon|null $closed_at
 * @property int $openings
 * @property Carbon $created_at
 * @property int|null $section_id the group of players whose edition it shows
 * @property string|null $chair the chair whose notes it shows
 * @property Part $part
 * @property Section|null $section
 */
final class ShareLink extends Model
{
    protected $fillable = ['user_id', 'section_id', 'chair', 'token_hash', 'expires_at'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['expires_at' => 'datetime', 'closed_at' => 'datetime'];
    }

    /** @return BelongsTo<Part, $this> */
    public function part(): BelongsTo
    {
        return $this->belongsTo(Part::class);
    }

    /** @return BelongsTo<Section, $this> */
    public function section(): BelongsTo
    {
        return $this->belongsTo(Section::class);
    }

    /** @return Builder<self> the link with this token, if it is open */
    public static function open(string $token): Builder
    {
        return self::query()->where('token_hash', Token::hashOf($token))->whereNull('closed_at')->where('expires_at', '>', now());
    }
}
