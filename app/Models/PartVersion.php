<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * The notes of a part as they were once, or are now.
 *
 * @property int $id
 * @property int $part_id
 * @property int|null $user_id who changed them; null: as they first came
 * @property string $how imported or typed
 * @property string $music MusicXML
 * @property Carbon $created_at
 */
final class PartVersion extends Model
{
    public const IMPORTED = 'imported';

    public const TYPED = 'typed';

    public const UPDATED_AT = null;

    protected $fillable = ['user_id', 'how', 'music', 'created_at'];
}
