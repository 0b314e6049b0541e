<?php

declare(strict_types=1);

namespace App\Models;

use App\Marking\CachedScores;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;
use UprightPencil\Core\Score\OrderOfPerformance;
use UprightPencil\Core\Score\Passages;
use UprightPencil\Core\Score\WrongOrder;
use UprightPencil\Core\Strings\BowingSchool;
use UprightPencil\Core\Strings\Level;

/**
 * A work in parts, or a lesson line.
 *
 * @property int $id
 * @property int $ensemble_id
 * @property string $title
 * @property string $composer
 * @property string $kind piece or line
 * @property Carbon|null $taught_at when the class played a lesson line
 * @property Rights $rights
 * @property BowingSchool $bowing as a release before profiles had a school reads it
 * @property BowingSchool|null $own_bowing null: as the class has it
 * @property string $source the whole score as MusicXML
 * @property string $request_key
 * @property int $place on the shelf
 * @property int|null $tempo quarters a minute at the beginning, where somebody chose it
 * @property Level|null $level for this piece only
 * @property int|null $occasion_id the concert it is for
 * @property array<string, mixed>|null $practice tempo for practising, and those of passages that have one of their own, in quarters a minute
 * @property Carbon|null $final_at since when nothing is decided in it any more
 * @property bool $own_passages false: its passages are its rehearsal letters
 * @property Ensemble $ensemble
 */
final class Piece extends Model
{
    use PutsAway;

    /** A work in parts. */
    public const WORK = 'piece';

    public const LESSON_LINE = 'line';

    public const KINDS = [self::WORK, self::LESSON_LINE];

    protected $fillable = ['title', 'composer', 'kind', 'rights', 'bowing', 'own_bowing', 'source', 'request_key', 'place', 'put_away_at', 'tempo', 'level', 'occasion_id', 'own_passages', 'practice'];

    /** The school that it has for itself; null where it has its class's. An earlier release that was gone back to may have chosen one. */
    public function ownBowing(): ?BowingSchool
    {
        // A migration hands out what is there before it has come so far.
        $own = isset($this->attributes['own_bowing']) ? $this->own_bowing : null;

        return $this->bowing === ($own ?? BowingSchool::StrongBeat) ? $own : $this->bowing;
    }

    /** @return array{bowing: BowingSchool, own_bowing: BowingSchool|null} what keeps a school of its own, or none */
    public static function bowedAs(?BowingSchool $own): array
    {
        return ['bowing' => $own ?? BowingSchool::StrongBeat, 'own_bowing' => $own];
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['rights' => Rights::class, 'bowing' => BowingSchool::class, 'own_bowing' => BowingSchool::class, 'put_away_at' => 'datetime', 'level' => Level::class, 'own_passages' => 'boolean', 'practice' => 'array', 'final_at' => 'datetime', 'taught_at' => 'datetime'];
    }

    /** @return BelongsTo<Ensemble, $this> */
    public function ensemble(): BelongsTo
    {
        return $this->belongsTo(Ensemble::class);
    }

    /** @return HasMany<Part, $this> */
    public function parts(): HasMany
    {
        return $this->hasMany(Part::class)->orderBy('place');
    }

    /** @return HasMany<Part, $this> those that are not put away; each knows this piece, and nobody reads it again */
    public function partsInUse(): HasMany
    {
        return $this->parts()->whereNull('put_away_at')->chaperone('piece');
    }

    /** @return BelongsTo<Occasion, $this> the concert it is for */
    public function occasion(): BelongsTo
    {
        return $this->belongsTo(Occasion::class);
    }

    /** @return HasMany<Passage, $this> */
    public function passages(): HasMany
    {
        return $this->hasMany(Passage::class)->orderBy('id');
    }

    /** @return HasMany<PerformanceOrder, $this> the newest first */
    public function orders(): HasMany
    {
        return $this->hasMany(PerformanceOrder::class)->orderByDesc('id');
    }

    /** What of it is played; all of it where what is kept cannot be read. */
    public function order(): OrderOfPerformance
    {
        return once(function (): OrderOfPerformance {
            $kept = json_decode((string) $this->orders()->toBase()->value('order'), true);
            try {
                return OrderOfPerformance::fromArray(is_array($kept) ? $kept : []);
            } catch (WrongOrder) {
                return OrderOfPerformance::asPrinted();
            }
        });
    }

    /** @return list<array{name: string, from: string, to: string}> its passages: those that somebody made or, until then, its letters */
    public function namedPassages(): array
    {
        if ($this->own_passages) {
            return array_values($this->passages()->get()->map(static fn (Passage $passage): array => ['name' => $passage->name, 'from' => $passage->from, 'to' => $passage->to])->all());
        }
        $found = array_map(static fn (Part $part): array => Passages::of(CachedScores::of($part->music)->parts[0]), $this->parts()->get()->all());

        // Letters often stand in the top part only.
        return array_values(array_filter($found))[0] ?? [];
    }
}
