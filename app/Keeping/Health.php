<?php

declare(strict_types=1);

namespace App\Keeping;

use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;

/** Whether everything that belongs to an installation is at work. */
final class Health
{
    /** Seconds without a sign of life of whatever does things at their time. */
    private const CLOCK_SECONDS = 300;

    /** Seconds that something may wait to be done behind an answer. */
    private const QUEUE_SECONDS = 600;

    /** Hours: one night's backup that failed is told before the next. */
    private const BACKUP_HOURS = 30;

    /** Bytes that a disk should have free. */
    private const LEAST_FREE = 512 * 1024 * 1024;

    /** @return array<string, bool> what is looked at, and whether it is well */
    public static function all(): array
    {
        return array_map(static fn (\Closure $look): bool => rescue($look, false, false) === true, [
            'records' => static fn (): bool => DB::table('migrations')->exists(),
            'jobs' => static fn (): bool => DB::table('failed_jobs')->where('failed_at', '>', now()->subDay())->doesntExist(),
            'room' => static fn (): bool => (float) disk_free_space(storage_path()) > self::LEAST_FREE,
            ...(config('serving.supervised') === true ? self::supervised() : []),
        ]);
    }

    /** @return array<string, \Closure(): bool> what only a server has */
    private static function supervised(): array
    {
        return [
            'clock' => static fn (): bool => time() - (int) @filemtime(self::clock()) < self::CLOCK_SECONDS,
            'queue' => static fn (): bool => DB::table('jobs')->where('created_at', '<', time() - self::QUEUE_SECONDS)->doesntExist(),
            'workbench' => static fn (): bool => @stream_socket_client('unix://'.(string) config('workbench.socket'), timeout: 0.5) !== false,
            'backup' => static fn (): bool => Dialect::isPostgres() || self::backupIsFresh(),
        ];
    }

    /** A school that was opened today has none yet. */
    private static function backupIsFresh(): bool
    {
        $newest = Backup::newest();
        $since = $newest?->madeAt()->getTimestamp() ?? (int) File::lastModified(app()->environmentFilePath());

        return time() - $since < 3600 * self::BACKUP_HOURS;
    }

    /** Whatever does things at their time was here. */
    public static function tick(): void
    {
        touch(self::clock());
    }

    private static function clock(): string
    {
        return storage_path('framework/clock');
    }
}
