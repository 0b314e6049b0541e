<?php

declare(strict_types=1);

namespace App\Record;

use App\Keeping\Dialect;
use Illuminate\Support\Facades\DB;

/**
 * The database's one turn to write, for all who write after reading: it is waited for; else it is refused at once.
 *
 * A turn takes finished work only. Nobody reads music, works anything out, starts a process or opens a file in one, for as long
 * as it lasts everybody else waits. Tests fail where it is done (`outside`).
 */
final class Turn
{
    /** So often work is thought through anew because somebody else wrote meanwhile. */
    private const TRIES = 25;

    private static int $open = 0;

    /**
     * @template T
     *
     * @param  \Closure(): T  $work  reads and writes the database, and does nothing else
     * @return T
     */
    public static function take(\Closure $work): mixed
    {
        return DB::transaction(static function () use ($work): mixed {
            Dialect::takeTurn();
            self::$open++;
            try {
                return $work();
            } finally {
                self::$open--;
            }
        });
    }

    /**
     * Work that takes thought: thought through outside of the turn, and written in it if nothing that it rests on has changed
     * meanwhile; else thought through once more.
     *
     * @template T
     *
     * @param  \Closure(): Finished<T>  $think
     * @return T what it says, or `TurnLost` where others wrote in between every time
     */
    public static function finish(\Closure $think): mixed
    {
        for ($try = 0; $try < self::TRIES; $try++) {
            $finished = $think();
            $written = self::take(static fn (): ?array => ($finished->holds)() ? [($finished->write)()] : null);
            if ($written !== null) {
                return $written[0];
            }
        }
        throw new TurnLost;
    }

    /**
     * What is written after reading is written in a turn, or two at once would both believe that they came first.
     *
     * @throws \LogicException
     */
    public static function inside(string $what): void
    {
        self::$open > 0 || throw new \LogicException("Only in a turn to write: {$what}.");
    }

    /**
     * What takes time says here that it is never done in a turn.
     *
     * @throws \LogicException in tests; whoever waits for a director's decision is served all the same
     */
    public static function outside(string $what): void
    {
        if (self::$open > 0 && app()->runningUnitTests()) {
            throw new \LogicException("A turn to write takes finished work only: {$what} comes before it.");
        }
    }
}
