<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * What somebody is typing, until it is put in as a piece, a part, or the notes of a part that is there.
 *
 * @property int $id
 * @property string $key given by the browser
 * @property int $user_id
 * @property int $ensemble_id
 * @property int|null $piece_id the piece that it becomes a part of
 * @property int|null $part_id the part that it corrects
 * @property string $title
 * @property int $measures
 * @property int $revision grows with everything that is kept of it
 * @property string|null $base hash of the part's music when the correction began
 * @property string $typed JSON; empty once it was put in
 * @property int|null $became the part that it was put in as
 * @property Carbon $updated_at
 * @property Ensemble $ensemble
 * @property Part|null $part
 * @property Piece|null $piece
 */
final class Manuscript extends Model
{
    protected $fillable = ['key', 'user_id', 'ensemble_id', 'piece_id', 'part_id', 'title', 'measures', 'revision', 'base', 'typed', 'became'];

    public function getRouteKeyName(): string
    {
        return 'key';
    }

    /** @return BelongsTo<Ensemble, $this> */
    public function ensemble(): BelongsTo
    {
        return $this->belongsTo(Ensemble::class);
    }

    /** @return BelongsTo<Part, $this> */
    public function part(): BelongsTo
    {
        return $this->belongsTo(Part::class);
    }

    /** @return BelongsTo<Piece, $this> */
    public function piece(): BelongsTo
    {
        return $this->belongsTo(Piece::class);
    }
}
