<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use UprightPencil\Core\Marking\RecordEntry;

/**
 * One line of a part's append-only record.
 *
 * @property int $part_id
 * @property int $user_id
 * @property int $seq from 1 within the part
 * @property string $kind decide, undo or redo
 * @property list<array<string, mixed>> $decisions
 * @property string $request_key its name, given by the browser, so that a repeated request is one entry
 * @property string|null $takes the entry that an undo or redo is about
 * @property string|null $follows the entry that the same browser made before it
 * @property int $seen the newest entry of others that its maker saw
 * @property string $browser where it was made
 * @property string|null $group_key a figure that was decided for several parts at once
 * @property list<array<string, mixed>>|null $proposed what was proposed at its notes at that moment
 * @property int $format version of the words in it
 * @property Carbon $created_at
 * @property User $user
 * @property Part $part
 */
final class LogEntry extends Model
{
    public const UPDATED_AT = null;

    /** Version of the words in which decisions are kept (`Decision` reads earlier ones in today's). */
    public const FORMAT = 2;

    protected $fillable = ['user_id', 'seq', 'kind', 'decisions', 'request_key', 'takes', 'follows', 'seen', 'browser', 'group_key', 'proposed', 'format'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['decisions' => 'array', 'proposed' => 'array'];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return BelongsTo<Part, $this> */
    public function part(): BelongsTo
    {
        return $this->belongsTo(Part::class);
    }

    public function read(): RecordEntry
    {
        return self::readRow((object) $this->getRawOriginal());
    }

    /** A row as the database has it: one that was written by something else may hold anything. */
    public static function readRow(\stdClass $row): RecordEntry
    {
        $decisions = json_decode((string) $row->decisions, true);

        return RecordEntry::read((string) $row->request_key, (string) $row->kind, (int) $row->user_id, $row->takes === null ? null : (string) $row->takes, is_array($decisions) ? $decisions : [$decisions]);
    }
}
