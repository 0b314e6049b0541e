<?php

declare(strict_types=1);

namespace App\Keeping;

use Illuminate\Database\Connection;
use Illuminate\Support\Facades\DB;

/** The one place, with `Guard`, that knows in what the databases differ that a school can be kept in: SQLite, and PostgreSQL. */
final class Dialect
{
    /** Of the turn to write (`Turn`); any number that nobody else uses. */
    private const TURN = 7_401_882;

    public static function isPostgres(?Connection $database = null): bool
    {
        return ($database ?? DB::connection())->getDriverName() === 'pgsql';
    }

    /** The database's one turn to write, waited for; it is over with the transaction. */
    public static function takeTurn(): void
    {
        // In SQLite a statement that could write asks for the turn, though it writes nothing.
        self::isPostgres() ? DB::select('select pg_advisory_xact_lock(?)', [self::TURN]) : DB::statement('UPDATE pieces SET id = id WHERE 0');
    }

    /**
     * A change of tables in one transaction; SQLite must be told outside of it not to check references while it rebuilds one.
     *
     * @param  \Closure(): void  $change
     */
    public static function rebuild(\Closure $change): void
    {
        self::isPostgres() || DB::statement('PRAGMA foreign_keys = 0');
        try {
            DB::transaction($change);
        } finally {
            self::isPostgres() || DB::statement('PRAGMA foreign_keys = 1');
        }
    }

    /**
     * Something that is not worth waiting for where the record is busy.
     *
     * @param  int  $patience  milliseconds
     * @param  \Closure(): mixed  $work
     */
    public static function impatiently(int $patience, \Closure $work): void
    {
        $usual = (int) config('database.connections.sqlite.busy_timeout');
        DB::statement(self::isPostgres() ? "SET lock_timeout = {$patience}" : "PRAGMA busy_timeout = {$patience}");
        try {
            $work();
        } finally {
            DB::statement(self::isPostgres() ? 'SET lock_timeout = 0' : "PRAGMA busy_timeout = {$usual}");
        }
    }

    /** An expression: whether a column holds a piece of text. */
    public static function contains(string $column, string $text): string
    {
        return (self::isPostgres() ? "strpos({$column}, '{$text}')" : "instr({$column}, '{$text}')").' > 0';
    }

    /** Text of bytes that were kept: PostgreSQL hands them out as a stream. */
    public static function bytes(mixed $kept): string
    {
        return is_resource($kept) ? (string) stream_get_contents($kept) : (is_string($kept) ? $kept : '');
    }

    /** How bytes are put in. */
    public static function binary(string $bytes): mixed
    {
        return self::isPostgres() ? DB::raw("'\\x".bin2hex($bytes)."'::bytea") : $bytes;
    }
}
