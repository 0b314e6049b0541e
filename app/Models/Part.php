<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;
use UprightPencil\Core\Strings\Instrument;

/**
 * One section's line of a piece.
 *
 * @property int $id
 * @property int $piece_id
 * @property int $place
 * @property string $part_key the part's id in the score
 * @property string $name
 * @property Instrument $instrument
 * @property int $measures
 * @property string $music this part alone as MusicXML
 * @property bool $has_notes whether anything with a pitch is in it
 * @property int|null $section_id
 * @property Carbon|null $created_at
 * @property Carbon|null $sized_up_at when somebody looked it over first
 * @property int|null $derived_from the part that it was made from
 * @property array<string, mixed>|null $derivation how
 * @property list<string>|null $line_starts measures with which the lines of the printed page begin
 * @property int|null $print_is_of whose marks the printed ones are, where somebody said that they are theirs
 * @property Piece $piece
 * @property Section|null $section
 */
final class Part extends Model
{
    use PutsAway;

    protected $fillable = ['place', 'part_key', 'name', 'instrument', 'measures', 'music', 'section_id', 'put_away_at', 'sized_up_at', 'derived_from', 'derivation', 'line_starts', 'print_is_of'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['instrument' => Instrument::class, 'has_notes' => 'boolean', 'put_away_at' => 'datetime', 'sized_up_at' => 'datetime', 'derivation' => 'array', 'line_starts' => 'array'];
    }

    protected static function booted(): void
    {
        // The shelf asks it of every part, and does not read the notes for it.
        self::saving(static function (self $part): void {
            ! $part->isDirty('music') || $part->has_notes = str_contains($part->music, '<pitch>');
        });
    }

    /** @return BelongsTo<Piece, $this> */
    public function piece(): BelongsTo
    {
        return $this->belongsTo(Piece::class);
    }

    /** @return HasMany<LogEntry, $this> */
    public function log(): HasMany
    {
        return $this->hasMany(LogEntry::class)->orderBy('seq');
    }

    /** @return HasMany<PracticeSheet, $this> what is practised in it */
    public function practiceSheets(): HasMany
    {
        return $this->hasMany(PracticeSheet::class)->orderBy('id');
    }

    /** @return HasMany<PartVersion, $this> its notes as they were and are; none where they never changed */
    public function versions(): HasMany
    {
        return $this->hasMany(PartVersion::class)->orderBy('id');
    }

    /** @return HasMany<ShareLink, $this> */
    public function links(): HasMany
    {
        return $this->hasMany(ShareLink::class);
    }

    /** @return HasMany<Handout, $this> */
    public function handouts(): HasMany
    {
        return $this->hasMany(Handout::class)->orderBy('number')->orderBy('id');
    }

    /** @return BelongsTo<Section, $this> */
    public function section(): BelongsTo
    {
        return $this->belongsTo(Section::class);
    }
}
