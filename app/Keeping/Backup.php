<?php

declare(strict_types=1);

namespace App\Keeping;

use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use SQLite3;

/**
 * A copy of all that a school has, taken while it works: the records as they were at one moment, the files of printed pages, and
 * the settings with the key that links and second factors are encrypted with. A folder that is not whole has no name yet.
 */
final readonly class Backup
{
    private const MAKING = '.making';

    private const NAME = 'Y-m-d\THis\Z';

    private function __construct(public string $folder) {}

    /** @throws NotKept when this school is kept elsewhere, the copy is not whole, or there is no room */
    public static function make(): self
    {
        self::refuseOthers();
        $all = self::place();
        File::ensureDirectoryExists($all, 0700);
        $making = "{$all}/".self::MAKING.'-'.getmypid();
        File::deleteDirectory($making);
        try {
            File::makeDirectory("{$making}/pages", 0700, true);
            DB::statement('VACUUM INTO ?', ["{$making}/pencil.sqlite"]);
            $backup = new self($making);
            chmod("{$making}/pencil.sqlite", 0600);
            $backup->copyPages(self::newest());
            $backup->copySettings();
            $backup->try();
            $named = self::freeName($all);
            File::moveDirectory($making, $named) || throw new NotKept("The backup could not be put at {$named}.");
        } catch (\Throwable $fault) {
            File::deleteDirectory($making);
            throw $fault instanceof NotKept ? $fault : new NotKept("The backup could not be made: {$fault->getMessage()}", previous: $fault);
        }

        return new self($named);
    }

    /** @throws NotKept when there is none of that name */
    public static function named(string $name): self
    {
        $folder = str_contains($name, '/') ? rtrim($name, '/') : self::place()."/{$name}";

        return is_file("{$folder}/pencil.sqlite") ? new self($folder) : throw new NotKept("There is no backup at {$folder}.");
    }

    public static function newest(): ?self
    {
        $all = self::all();

        return $all === [] ? null : $all[count($all) - 1];
    }

    /** @return list<self> the newest last */
    public static function all(): array
    {
        $folders = array_filter(glob(self::place().'/????-??-??T*Z*', GLOB_ONLYDIR) ?: [], static fn (string $folder): bool => is_file("{$folder}/pencil.sqlite"));

        return array_values(array_map(static fn (string $folder): self => new self($folder), $folders));
    }

    /** Those that are too old go: what was erased is forgotten with them. The newest always stays. @return int how many went */
    public static function forgetOld(): int
    {
        $last = CarbonImmutable::now('UTC')->subDays((int) config('serving.backups.days'));
        $old = array_filter(array_slice(self::all(), 0, -1), static fn (self $backup): bool => $backup->madeAt()->isBefore($last));
        array_walk($old, static fn (self $backup): bool => File::deleteDirectory($backup->folder));

        return count($old);
    }

    public function name(): string
    {
        return basename($this->folder);
    }

    public function madeAt(): CarbonImmutable
    {
        return CarbonImmutable::createFromFormat(self::NAME, substr($this->name(), 0, 18), 'UTC') ?? throw new \LogicException("{$this->name()} is no backup's name.");
    }

    /** @return list<string> */
    public function faults(): array
    {
        return $this->check()->faults();
    }

    public function entries(): int
    {
        return $this->check()->entries();
    }

    /** Bytes of the records; scanned pages are shared between backups. */
    public function bytes(): int
    {
        return (int) filesize("{$this->folder}/pencil.sqlite");
    }

    /**
     * Puts the records into a database that may be in use: whoever reads it sees all of it as before, or all of it as now.
     *
     * @throws NotKept
     */
    public function into(string $file): void
    {
        $from = new SQLite3("{$this->folder}/pencil.sqlite", SQLITE3_OPEN_READONLY);
        $to = new SQLite3($file);
        $to->busyTimeout(20_000);
        try {
            $from->backup($to) || throw new NotKept('The records could not be put back: '.$to->lastErrorMsg());
        } finally {
            $to->close();
            $from->close();
        }
    }

    /** The files of printed pages that are not there any more. */
    public function pagesInto(string $folder): void
    {
        File::ensureDirectoryExists($folder, 0700);
        foreach (File::files("{$this->folder}/pages") as $page) {
            is_file("{$folder}/{$page->getFilename()}") || File::copy($page->getPathname(), "{$folder}/{$page->getFilename()}");
        }
    }

    private static function place(): string
    {
        $folder = config('serving.backups.folder');

        return is_string($folder) ? $folder : throw new NotKept('BACKUPS names no folder.');
    }

    private static function refuseOthers(): void
    {
        Dialect::isPostgres() && throw new NotKept('This school is kept in PostgreSQL: back it up with the tools of that database (docs/running.md).');
    }

    /** Two in one second have names of their own. */
    private static function freeName(string $all): string
    {
        $name = $all.'/'.now('UTC')->format(self::NAME);
        for ($number = 2; file_exists($free = $name.($number > 2 ? "-{$number}" : '')); $number++) {
        }

        return $free;
    }

    /** A scanned page never changes: one that an earlier backup has is the same file, once on the disk. */
    private function copyPages(?self $earlier): void
    {
        $live = storage_path('app/pages');
        foreach ((new \PDO("sqlite:{$this->folder}/pencil.sqlite"))->query('SELECT key FROM page_files', \PDO::FETCH_COLUMN, 0) ?: [] as $key) {
            $there = "{$this->folder}/pages/{$key}";
            $before = $earlier === null ? '' : "{$earlier->folder}/pages/{$key}";
            is_file($before) && @link($before, $there) || is_file("{$live}/{$key}") && File::copy("{$live}/{$key}", $there) || $this->forgivesPage((string) $key);
        }
    }

    /** Taken away while the backup was made: then it is not in the records any more either. */
    private function forgivesPage(string $key): void
    {
        DB::table('page_files')->where('key', $key)->doesntExist() || throw new NotKept("The scanned page {$key} is missing.");
        (new \PDO("sqlite:{$this->folder}/pencil.sqlite"))->prepare('DELETE FROM page_files WHERE key = ?')->execute([$key]);
    }

    private function copySettings(): void
    {
        $settings = app()->environmentFilePath();
        is_file($settings) && File::copy($settings, "{$this->folder}/settings") && chmod("{$this->folder}/settings", 0600);
    }

    /** Restores it beside, and looks whether all is there. */
    private function try(): void
    {
        $scratch = "{$this->folder}/trial.sqlite";
        $this->into($scratch);
        $restored = DatabaseCheck::ofFile($scratch, "{$this->folder}/pages");
        $entries = $restored->entries();
        $faults = $restored->faults();
        array_map(File::delete(...), glob("{$scratch}*") ?: []);
        $faults === [] || throw new NotKept('The backup does not restore whole. '.implode(' ', $faults));
        $entries === $this->entries() || throw new NotKept('The backup restores with other entries than it has.');
    }

    private function check(): DatabaseCheck
    {
        return DatabaseCheck::ofFile("{$this->folder}/pencil.sqlite", "{$this->folder}/pages");
    }
}
