<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A PDF or photo of the printed page, beside a part or beside what is being typed. For staff only.
 *
 * @property int $id
 * @property string $key name of its file
 * @property int $user_id who brought it
 * @property int|null $part_id
 * @property int|null $manuscript_id
 * @property string $name as its file was called
 * @property string $mime
 * @property int $bytes
 * @property array<string, mixed> $look how it is turned and cropped, and which measure stands where
 * @property Part|null $part
 * @property Manuscript|null $manuscript
 */
final class PageFile extends Model
{
    protected $fillable = ['key', 'user_id', 'part_id', 'manuscript_id', 'name', 'mime', 'bytes', 'look'];

    public function getRouteKeyName(): string
    {
        return 'key';
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['look' => 'array'];
    }

    /** @return BelongsTo<Part, $this> */
    public function part(): BelongsTo
    {
        return $this->belongsTo(Part::class);
    }

    /** @return BelongsTo<Manuscript, $this> */
    public function manuscript(): BelongsTo
    {
        return $this->belongsTo(Manuscript::class);
    }
}
