<?php

declare(strict_types=1);

namespace App\Access;

use App\Models\Token;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** For somebody who forgot their password: an address that a colleague makes and hands over, and that works once. */
final class PasswordLink
{
    /** Hours that it works. */
    private const HOURS = 24;

    /** @return string the token; one that was made before works no more */
    public static function make(User $for, User $by): string
    {
        $token = Token::make();
        DB::transaction(static function () use ($for, $by, $token): void {
            DB::table('password_links')->where('user_id', $for->id)->delete();
            DB::table('password_links')->insert(['user_id' => $for->id, 'made_by' => $by->id, 'token_hash' => Token::hashOf($token), 'expires_at' => now()->addHours(self::HOURS), 'created_at' => now()]);
        });

        return $token;
    }

    public static function owner(string $token): ?User
    {
        $user = DB::table('password_links')->where('token_hash', Token::hashOf($token))->where('expires_at', '>', now())->value('user_id');

        return $user === null ? null : User::query()->whereKey($user)->first();
    }

    public static function use(User $owner, #[\SensitiveParameter] string $password): void
    {
        DB::transaction(static function () use ($owner, $password): void {
            DB::table('password_links')->where('user_id', $owner->id)->delete();
            $owner->update(['password' => $password]);
        });
    }
}
