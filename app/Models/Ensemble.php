<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasManyThrough;
use Illuminate\Support\Facades\DB;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\WrongProfile;

/**
 * A group of players of one level.
 *
 * @property int $id
 * @property int $school_id
 * @property string $name
 * @property string $year as the school writes it
 * @property School $school
 * @property array<string, mixed> $profile
 * @property array<string, mixed> $style how marks are written
 */
final class Ensemble extends Model
{
    use PutsAway;

    protected $fillable = ['school_id', 'name', 'year', 'profile', 'style', 'put_away_at'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['profile' => 'array', 'style' => 'array', 'put_away_at' => 'datetime'];
    }

    /** @return BelongsTo<School, $this> */
    public function school(): BelongsTo
    {
        return $this->belongsTo(School::class);
    }

    /** @return HasMany<Membership, $this> */
    public function memberships(): HasMany
    {
        return $this->hasMany(Membership::class);
    }

    /** @return HasMany<Invitation, $this> */
    public function invitations(): HasMany
    {
        return $this->hasMany(Invitation::class);
    }

    /** @return HasMany<ProfileVersion, $this> */
    public function profileVersions(): HasMany
    {
        return $this->hasMany(ProfileVersion::class);
    }

    /** @return HasMany<Piece, $this> */
    public function pieces(): HasMany
    {
        return $this->hasMany(Piece::class);
    }

    /** The place of the next piece on the shelf. */
    public function endOfShelf(): int
    {
        return 1 + (int) $this->pieces()->max('place');
    }

    /** @return HasMany<Section, $this> sections, without the groups inside them */
    public function sections(): HasMany
    {
        return $this->hasMany(Section::class)->whereNull('parent_id')->orderBy('id');
    }

    /** @return HasMany<Occasion, $this> concerts and rehearsals, in order */
    public function occasions(): HasMany
    {
        return $this->hasMany(Occasion::class)->orderBy('on')->orderBy('id');
    }

    /**
     * The parts on its shelf, in order; what was put away is left out.
     *
     * @return HasManyThrough<Part, Piece, $this>
     */
    public function partsInUse(): HasManyThrough
    {
        return $this->hasManyThrough(Part::class, Piece::class)->whereNull('pieces.put_away_at')->whereNull('parts.put_away_at')->orderBy('parts.piece_id')->orderBy('parts.place');
    }

    /**
     * A change is a new version; who had which is kept.
     *
     * @param  array<string, mixed>  $settings
     * @param  array<string, mixed>|null  $style  null: as it is
     * @param  Section|null  $of  a section or a group of players: then what is other than in the class, or in the section
     */
    public function keepProfile(User $by, array $settings, ?array $style = null, ?Section $of = null, ?string $habit = null, ?string $note = null): void
    {
        DB::transaction(function () use ($by, $settings, $style, $of, $habit, $note): void {
            $style ??= $this->ownWriting();
            $this->profileVersions()->create(['user_id' => $by->id, 'section_id' => $of?->id, 'settings' => $settings, 'style' => $style, 'habit' => $habit, 'note' => $note]);
            $of === null ? $this->update(['profile' => $settings, 'style' => $style]) : $of->update(['profile' => $settings === [] ? null : $settings]);
        });
    }

    /** @throws WrongProfile when what is kept is none */
    public function classProfile(): ClassProfile
    {
        return ClassProfile::fromArray($this->kept() ?? throw new WrongProfile('It cannot be read.'));
    }

    /** @return array<string, mixed> the settings of the class as they are kept; none where they cannot be read */
    public function settings(): array
    {
        return $this->kept() ?? [];
    }

    /** @return array<string, mixed> the house style: the ensemble's own goes before that of its director */
    public function writing(): array
    {
        return $this->ownWriting() + $this->directorsWriting();
    }

    /** @return array<string, mixed> what the ensemble itself says of it */
    public function ownWriting(): array
    {
        return $this->kept('style') ?? [];
    }

    /** @return array<string, mixed> how its director writes where it says nothing itself */
    public function directorsWriting(): array
    {
        return $this->firstDirector()->style ?? [];
    }

    /** Whoever directs it longest: theirs is the way of writing. */
    public function firstDirector(): ?User
    {
        return once(fn (): ?User => $this->memberships()->where('role', Role::Director->value)->orderBy('id')->with('user')->first()?->user);
    }

    /** @return array<string, mixed>|null */
    private function kept(string $what = 'profile'): ?array
    {
        $kept = json_decode((string) $this->getRawOriginal($what), true);

        return is_array($kept) ? $kept : null;
    }
}
