<?php

declare(strict_types=1);

namespace App\Marking;

use Illuminate\Support\Facades\DB;

/** Whoever writes after reading takes the database's one turn to write first, and waits for it; else the turn is refused at once. */
final class Turn
{
    /**
     * @template T
     *
     * @param  \Closure(): T  $work
     * @return T
     */
    public static function take(\Closure $work): mixed
    {
        return DB::transaction(static function () use ($work): mixed {
            // A statement that could write asks for the turn, though it writes nothing.
            DB::statement('UPDATE pieces SET id = id WHERE 0');

            return $work();
        });
    }
}
