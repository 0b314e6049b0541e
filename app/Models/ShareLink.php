<?php

declare(strict_types=1);

namespace App\Models;

use App\Sharing\PublicAddress;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A way for students to see what was handed out of one part. It is found by a hash of its token; beside it the token is kept
 * encrypted, so that address and QR code can be printed again.
 *
 * @property int $id
 * @property int $part_id
 * @property string $token_hash
 * @property Carbon $expires_at
 * @property Carbon|null $closed_at
 * @property int $openings
 * @property Carbon $created_at
 * @property int|null $section_id the group of players whom it is for
 * @property string|null $chair the chair whose notes it shows
 * @property int|null $handout_id this handout and no other; null: always the newest
 * @property string|null $token null: it was made before tokens were kept
 * @property Part $part
 * @property Section|null $section
 */
final class ShareLink extends Model
{
    protected $fillable = ['user_id', 'section_id', 'chair', 'handout_id', 'token_hash', 'token', 'expires_at'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['expires_at' => 'datetime', 'closed_at' => 'datetime', 'token' => 'encrypted'];
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

    /** @return BelongsTo<User, $this> who made it */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** Whom it is for, as a handout says it. */
    public function audience(): string
    {
        return $this->section_id === null ? (string) $this->chair : (string) $this->section_id;
    }

    public function address(): ?string
    {
        return $this->token === null ? null : PublicAddress::of("/s/{$this->token}");
    }

    /** Whether what it leads to is put away: then it shows nothing until that is brought back. */
    public function isAway(): bool
    {
        $piece = $this->part->piece;

        return $this->part->put_away_at !== null || $piece->put_away_at !== null || $piece->ensemble->put_away_at !== null;
    }

    /** @return Builder<self> the link with this token, if it is open */
    public static function open(string $token): Builder
    {
        return self::query()->where('token_hash', Token::hashOf($token))->whereNull('closed_at')->where('expires_at', '>', now());
    }
}
