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
     * Written only where it has changed: a decision waits for one write, not for two.
     *
     * @param  int  $proposed  notes with marks that nobody has taken
     */
    public static function keep(Part $part, int $findings, int $toSettle, int $proposed): void
    {
        $stand = ['findings' => $findings, 'to_settle' => $toSettle, 'proposed' => $proposed];
        try {
            $row = DB::table('part_stands')->where('part_id', $part->id);
            $there = $row->clone()->where($stand)->exists();
            $there || DB::table('part_stands')->updateOrInsert(['part_id' => $part->id], $stand);
        } catch (QueryException) {
            // Somebody else writes just now; it is kept the next time.
        }
    }
}
