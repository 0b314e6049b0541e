<?php

declare(strict_types=1);

namespace App\Access;

use App\Models\School;
use App\Models\User;
use App\Record\Turn;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;

/** The first director of an empty installation, guarded by a code that works once. */
final class FirstStart
{
    /** Letters and figures that are not taken for each other. */
    private const LETTERS = 'abcdefghjkmnpqrstuvwxyz23456789';

    /** @return string the code; the one before works no more */
    public static function newCode(): string
    {
        $code = implode('-', array_map(static fn (): string => implode('', array_map(static fn (): string => self::LETTERS[random_int(0, strlen(self::LETTERS) - 1)], range(1, 5))), range(1, 4)));
        DB::table('first_start')->delete();
        DB::table('first_start')->insert(['code_hash' => Hash::make($code), 'created_at' => now()]);

        return $code;
    }

    /** @return User|null the director; null when the code is wrong or there is a director already */
    public static function open(#[\SensitiveParameter] string $code, string $school, string $name, string $email, #[\SensitiveParameter] string $password, ?string $zone = null): ?User
    {
        $hash = DB::table('first_start')->value('code_hash');
        if (! is_string($hash) || ! Hash::check(mb_strtolower(trim($code)), $hash)) {
            return null;
        }
        $kept = Hash::make($password);

        return Turn::take(static function () use ($hash, $school, $name, $email, $kept, $zone): ?User {
            if (User::query()->exists() || DB::table('first_start')->where('code_hash', $hash)->delete() === 0) {
                return null;
            }

            return self::director($school, $name, $email, $kept, $zone);
        });
    }

    /** @param string|null $zone the time zone of the school; null: as the server is set */
    public static function director(string $school, string $name, string $email, #[\SensitiveParameter] string $password, ?string $zone = null): User
    {
        $director = User::query()->create(['name' => $name, 'email' => mb_strtolower($email), 'password' => $password]);
        $opened = School::query()->firstOrCreate(['name' => $school]);
        $opened->beginWith($director);
        $zone === null || $opened->update(['time_zone' => $zone]);

        return $director;
    }
}
