<?php

declare(strict_types=1);

namespace App\Access;

use App\Models\Device;
use App\Models\User;
use Illuminate\Http\Request;

/** The browsers in which people are signed in: each can be signed out from another, and one that is idle signs out by itself. */
final class Devices
{
    private const SESSION = 'device';

    /** Seconds between two notes that a device was seen. */
    private const NOTED_EVERY = 60;

    public static function begin(Request $request, User $user): void
    {
        // A session that ran out signs nobody out: its device is forgotten when the next one comes.
        $user->devices()->where('seen_at', '<', now()->subMinutes((int) config('session.lifetime')))->delete();
        $device = Device::query()->create(['user_id' => $user->id, 'agent' => mb_substr((string) $request->userAgent(), 0, 300), 'seen_at' => now()]);
        $request->session()->put(self::SESSION, $device->id);
    }

    public static function current(Request $request): ?int
    {
        $id = $request->session()->get(self::SESSION);

        return is_int($id) ? $id : null;
    }

    public static function end(Request $request): void
    {
        Device::query()->whereKey(self::current($request))->delete();
    }

    /** Whether somebody may go on in this browser: it was not signed out from elsewhere, and was not idle for too long. */
    public static function goesOn(Request $request, User $user): bool
    {
        $id = self::current($request);
        if ($id === null) {
            // Signed in before devices were listed.
            self::begin($request, $user);

            return true;
        }
        $device = Device::query()->whereKey($id)->where('user_id', $user->id)->first();
        $idle = self::idleMinutes($user);
        if ($device === null || ($idle !== null && $device->seen_at->addMinutes($idle)->isPast())) {
            $device?->delete();

            return false;
        }
        $device->seen_at->addSeconds(self::NOTED_EVERY)->isFuture() || $device->update(['seen_at' => now()]);

        return true;
    }

    /** Minutes after which somebody is signed out: the fewest of their schools; null where none says. */
    public static function idleMinutes(User $user): ?int
    {
        $minutes = $user->schools()->min('idle_minutes');

        return $minutes === null ? null : (int) $minutes;
    }
}
