<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\WrongProfile;

/**
 * A group of players of one level.
 *
 * @property int $id
 * @property int $user_id
 * @property string $name
 * @property string $school
 * @property array<string, mixed> $profile
 */
final class Ensemble extends Model
{
    protected $fillable = ['name', 'school', 'profile'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['profile' => 'array'];
    }

    /** @return HasMany<Piece, $this> */
    public function pieces(): HasMany
    {
        return $this->hasMany(Piece::class);
    }

    /** @throws WrongProfile when what is kept is none */
    public function classProfile(): ClassProfile
    {
        $kept = json_decode((string) $this->getRawOriginal('profile'), true);

        return ClassProfile::fromArray(is_array($kept) ? $kept : throw new WrongProfile('It cannot be read.'));
    }
}
