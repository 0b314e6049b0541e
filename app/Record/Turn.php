<?php

declare(strict_types=1);

namespace App\Record;

use App\Keeping\Dialect;
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
            Dialect::takeTurn();

            return $work();
        });
    }
}
