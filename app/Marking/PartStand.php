<?php

declare(strict_types=1);

namespace App\Marking;

use App\Models\Part;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;

/** What was left to do in a part when it was last worked out, so that the shelf can say so without working it out. */
final class PartStand
{
    /**
     * Written only where it has changed: a decision waits for one write, not for two. How much is still only proposed changes with
     * nearly every decision, so that alone is a reason only when a part is opened, or looked for by the shelf.
     *
     * @param  array{findings: int, to_settle: int}  $left
     * @param  int  $proposed  notes with marks that nobody has taken
     * @param  int  $seq  the newest entry of its record
     */
    public static function keep(Part $part, array $left, int $proposed, int $seq, bool $atLeisure): void
    {
        try {
            $row = DB::table('part_stands')->where('part_id', $part->id);
            $now = $left + ['proposed' => $proposed, 'seq' => $seq];
            $row->clone()->where($atLeisure ? $now : $left)->exists() || DB::table('part_stands')->updateOrInsert(['part_id' => $part->id], $now);
        } catch (QueryException) {
            // Somebody else writes just now; it is kept the next time.
        }
    }
}
