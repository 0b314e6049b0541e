<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * The class profile and the house style of an ensemble as somebody left them.
 *
 * @property int $id
 * @property int|null $section_id null: of the whole class
 * @property array<string, mixed> $settings
 * @property array<string, mixed> $style how marks are written
 * @property string|null $habit what it was taken from, as its view names it
 * @property string|null $note the same in words
 * @property Carbon $created_at
 * @property User $user
 * @property Section|null $section
 */
final class ProfileVersion extends Model
{
    public const UPDATED_AT = null;

    protected $fillable = ['user_id', 'section_id', 'settings', 'style', 'habit', 'note'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['settings' => 'array', 'style' => 'array'];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return BelongsTo<Section, $this> */
    public function section(): BelongsTo
    {
        return $this->belongsTo(Section::class);
    }
}
