<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use UprightPencil\Core\Marking\Decision;

/**
 * One line of a part's append-only record.
 *
 * @property int $part_id
 * @property int $user_id
 * @property int $seq from 1 within the part
 * @property string $kind decide, undo or redo
 * @property list<array<string, mixed>> $decisions
 * @property string $request_key given by the browser, so that a repeated request is one entry
 */
final class LogEntry extends Model
{
    public const UPDATED_AT = null;

    protected $fillable = ['user_id', 'seq', 'kind', 'decisions', 'request_key'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['decisions' => 'array'];
    }

    /** @return array{seq: int, kind: string, decisions: list<Decision>} */
    public function entry(): array
    {
        return ['seq' => $this->seq, 'kind' => $this->kind, 'decisions' => array_map(Decision::fromArray(...), $this->decisions)];
    }
}
