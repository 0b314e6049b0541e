<?php

declare(strict_types=1);

namespace App\Keeping;

use App\Models\School;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;

/** Puts a backup in the place of what is there. Requests are asked to come again meanwhile; what was there is backed up first. */
final class Restore
{
    /**
     * @return Backup|null of what was there; null where that could not be read any more
     *
     * @throws NotKept when the backup is not whole
     */
    public static function from(Backup $backup): ?Backup
    {
        $faults = $backup->faults();
        $faults === [] || throw new NotKept('This backup is not whole. '.implode(' ', $faults));
        Artisan::call('down', ['--retry' => 5]);
        try {
            $before = self::before();
            $backup->into((string) DB::connection()->getConfig('database'));
            DB::purge();
            $backup->pagesInto(storage_path('app/pages'));
            Artisan::call('migrate', ['--force' => true]);
            Cache::flush();
            self::tellTheOthers();
            School::query()->each(static fn (School $school): mixed => AuditList::note(Audited::Restored, null, $school->id, "as of {$backup->madeAt()->format('j F Y, H:i')} UTC"));
        } finally {
            Artisan::call('up');
        }

        return $before;
    }

    private static function before(): ?Backup
    {
        try {
            return Backup::make();
        } catch (NotKept) {
            return null;
        }
    }

    /** Processes that hold something of before end, and are started anew. */
    private static function tellTheOthers(): void
    {
        Artisan::call('queue:restart');
        File::put(self::mark(), (string) now()->getTimestamp());
    }

    /** Its time tells that something was put back. */
    public static function mark(): string
    {
        return storage_path('framework/restored');
    }
}
