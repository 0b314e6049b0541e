<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * A stretch of a piece that has a name.
 *
 * @property int $id
 * @property int $piece_id
 * @property string $name
 * @property string $from measure as printed
 * @property string $to measure as printed, played too
 */
final class Passage extends Model
{
    protected $fillable = ['name', 'from', 'to'];
}
