<?php

declare(strict_types=1);

namespace App\Keeping;

use Illuminate\Database\Connection;

/** Triggers that let a table only grow, whatever the application does. Only an erasure lifts them, inside its transaction. */
final readonly class Guard
{
    private const CHANGES = ['UPDATE', 'DELETE'];

    private function __construct(private Connection $database, private string $table) {}

    public static function of(Connection $database, string $table): self
    {
        return new self($database, $table);
    }

    /** @param string $because what is said to whoever tries */
    public function put(string $because): void
    {
        foreach (self::CHANGES as $change) {
            foreach (Dialect::isPostgres($this->database) ? $this->forPostgres($change, $because) : [$this->forSqlite($change, $because)] as $statement) {
                $this->database->statement($statement);
            }
        }
    }

    public function isMissing(): bool
    {
        return count($this->names()) < count(self::CHANGES);
    }

    /**
     * Takes something from the table all the same.
     *
     * @param  \Closure(): mixed  $work
     */
    public function lifted(\Closure $work): void
    {
        $name = "{$this->table}_no_DELETE";
        if (Dialect::isPostgres($this->database)) {
            $this->database->statement("ALTER TABLE {$this->table} DISABLE TRIGGER \"{$name}\"");
            $work();
            $this->database->statement("ALTER TABLE {$this->table} ENABLE TRIGGER \"{$name}\"");

            return;
        }
        $guard = $this->database->table('sqlite_master')->where(['type' => 'trigger', 'name' => $name])->value('sql');
        $this->database->statement("DROP TRIGGER {$name}");
        $work();
        $this->database->statement(is_string($guard) ? $guard : throw new \LogicException("{$this->table} had no guard."));
    }

    /** @return list<string> of the triggers that work */
    public function names(): array
    {
        $rows = Dialect::isPostgres($this->database)
            ? $this->database->select("select tgname as name from pg_trigger where tgrelid = ?::regclass and not tgisinternal and tgenabled = 'O' order by tgname", [$this->table])
            : $this->database->select("select name from sqlite_master where type = 'trigger' and tbl_name = ? order by name", [$this->table]);

        return array_values(array_map(static fn (\stdClass $row): string => (string) $row->name, $rows));
    }

    private function forSqlite(string $change, string $because): string
    {
        return "CREATE TRIGGER {$this->table}_no_{$change} BEFORE {$change} ON {$this->table} BEGIN SELECT RAISE(ABORT, '{$because}'); END";
    }

    /** @return list<string> */
    private function forPostgres(string $change, string $because): array
    {
        return [
            "CREATE OR REPLACE FUNCTION {$this->table}_only_grows() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN RAISE EXCEPTION '{$because}'; END $$",
            "CREATE TRIGGER \"{$this->table}_no_{$change}\" BEFORE {$change} ON {$this->table} FOR EACH ROW EXECUTE FUNCTION {$this->table}_only_grows()",
        ];
    }
}
