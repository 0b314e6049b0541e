<?php

declare(strict_types=1);

namespace App\Keeping;

use App\Models\PageFile;
use Illuminate\Database\Connection;
use Illuminate\Support\Facades\DB;

/** Whether a school's records are whole: the file, what refers to what, the guards, every record's order, and what was handed out. */
final readonly class DatabaseCheck
{
    /** Tables that only grow; each has two guards, or none would have noticed. */
    public const GUARDED = ['log_entries', 'frozen', 'handout_files'];

    /** @param string $pages folder with the files of printed pages */
    private function __construct(private Connection $database, private string $pages) {}

    public static function ofNow(): self
    {
        return new self(DB::connection(), storage_path('app/pages'));
    }

    /** A database file that lies somewhere, a backup's. */
    public static function ofFile(string $file, string $pages): self
    {
        // It is only looked at: nothing is written beside it.
        config(['database.connections.checked' => ['database' => $file, 'journal_mode' => null, 'synchronous' => null] + (array) config('database.connections.sqlite')]);
        DB::purge('checked');

        return new self(DB::connection('checked'), $pages);
    }

    /** @return list<string> what is wrong, a sentence each */
    public function faults(): array
    {
        try {
            return [...$this->file(), ...$this->guards(), ...$this->records(), ...$this->frozen(), ...$this->pages()];
        } catch (\Throwable $fault) {
            return ["It cannot be read: {$fault->getMessage()}"];
        } finally {
            $this->database->getName() === 'checked' && DB::purge('checked');
        }
    }

    /** How many decisions, takings and undoings there are. */
    public function entries(): int
    {
        return $this->database->table('log_entries')->count();
    }

    /** @return list<string> */
    private function file(): array
    {
        if (Dialect::isPostgres($this->database)) {
            return [];
        }
        $whole = $this->database->selectOne('PRAGMA integrity_check')->integrity_check ?? '';
        $loose = count($this->database->select('PRAGMA foreign_key_check'));

        return array_values(array_filter([$whole === 'ok' ? '' : "The file is damaged: {$whole}", $loose === 0 ? '' : "{$loose} rows refer to something that is not there."]));
    }

    /** @return list<string> */
    private function guards(): array
    {
        $missing = array_filter(self::GUARDED, fn (string $table): bool => Guard::of($this->database, $table)->isMissing());

        return array_values(array_map(static fn (string $table): string => "{$table} has lost its guard: it could be changed.", $missing));
    }

    /** @return list<string> */
    private function records(): array
    {
        $torn = $this->database->table('log_entries')->groupBy('part_id')->havingRaw('count(*) != max(seq)')->pluck('part_id');

        return $torn->isEmpty() ? [] : ["The records of the parts {$torn->implode(', ')} have gaps."];
    }

    /** @return list<string> what was handed out lies under the hash of its contents */
    private function frozen(): array
    {
        $changed = 0;
        foreach ($this->database->table('frozen')->select(['hash', 'body'])->orderBy('hash')->lazy(100) as $row) {
            $changed += hash('sha256', (string) @gzdecode(Dialect::bytes($row->body))) === $row->hash ? 0 : 1;
        }

        return $changed === 0 ? [] : ["{$changed} files of handouts are not what they were."];
    }

    /** @return list<string> */
    private function pages(): array
    {
        $keys = $this->database->table((new PageFile)->getTable())->pluck('key');
        $missing = $keys->filter(fn (mixed $key): bool => ! is_string($key) || ! is_file("{$this->pages}/{$key}"))->count();

        return $missing === 0 ? [] : ["{$missing} scanned pages are missing."];
    }
}
