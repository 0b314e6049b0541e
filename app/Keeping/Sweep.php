<?php

declare(strict_types=1);

namespace App\Keeping;

use App\Access\SignIn;
use App\Marking\LeftOver;
use App\Models\Device;
use App\Models\Invitation;
use Illuminate\Support\Facades\DB;
use Symfony\Component\Finder\Finder;

/** Takes away what nobody needs any more: sessions that ended, what was kept to save time, addresses that open nothing. */
final class Sweep
{
    /** Bytes of what is kept to save time; the oldest goes first (ours: some hundred parts in use). */
    private const MOST_KEPT = 256 * 1024 * 1024;

    /** Days that an invitation is known after it opens nothing any more. */
    private const INVITATION_DAYS = 30;

    /** @return array<string, int> what went, and how much */
    public static function all(): array
    {
        LeftOver::sweep();
        AuditList::sweep();
        SignIn::forgetGuesses();
        $lifetime = (int) config('session.lifetime');

        return [
            'sessions' => self::files(storage_path('framework/sessions'), static fn (\SplFileInfo $file): bool => $file->getMTime() < time() - 60 * $lifetime),
            'kept results' => self::kept(storage_path('framework/cache/data')),
            'devices' => Device::query()->where('seen_at', '<', now()->subMinutes($lifetime))->delete(),
            'invitations' => (int) Invitation::query()->where('expires_at', '<', now()->subDays(self::INVITATION_DAYS))->delete(),
            'password links' => DB::table('password_reset_tokens')->where('created_at', '<', now()->subMinutes((int) config('auth.passwords.users.expire')))->delete(),
        ];
    }

    /** Each file begins with the second until which it may be used. */
    private static function kept(string $folder): int
    {
        $gone = self::files($folder, static fn (\SplFileInfo $file): bool => (int) @file_get_contents($file->getPathname(), length: 10) < time());
        $bytes = 0;
        foreach (self::in($folder)->sortByModifiedTime()->reverseSorting() as $file) {
            $bytes += $file->getSize();
            $gone += $bytes > self::MOST_KEPT && @unlink($file->getPathname()) ? 1 : 0;
        }

        return $gone;
    }

    /** @param \Closure(\SplFileInfo): bool $isOld */
    private static function files(string $folder, \Closure $isOld): int
    {
        $gone = 0;
        foreach (self::in($folder) as $file) {
            try {
                $gone += $isOld($file) && @unlink($file->getPathname()) ? 1 : 0;
            } catch (\RuntimeException) {
                // Somebody else took it away meanwhile.
            }
        }

        return $gone;
    }

    private static function in(string $folder): Finder
    {
        is_dir($folder) || mkdir($folder, 0700, true);

        return Finder::create()->files()->in($folder);
    }
}
