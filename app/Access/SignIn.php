<?php

declare(strict_types=1);

namespace App\Access;

use App\Models\User;
use App\Record\Turn;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Symfony\Component\HttpKernel\Exception\TooManyRequestsHttpException;

/**
 * Signing in with a password. Wrong ones are counted for an account from an address together, so that nobody locks a teacher
 * out from elsewhere and no school's one address locks out its teachers; each further one makes the wait longer. A guess is
 * counted before it is checked, so guessing side by side is no faster.
 */
final class SignIn
{
    public const WRONG = 'That e-mail address and password do not belong together.';

    /** So many are forgiven; then 2, 4, 8 … seconds, a quarter of an hour at the most (ours). */
    private const FREE = 5;

    private const LONGEST = 900;

    /** Guesses that are this old are forgotten, in hours. */
    private const FORGOTTEN = 24;

    /** Of nobody's password: an unknown address takes as long as a known one. */
    private const NOBODY = '$2y$12$N1LpQkJXHgyXNc6k3305O.rPf/R1uh20BP25TwVXYGs5gMh.YFseW';

    /** @throws TooManyRequestsHttpException while the wait lasts */
    public function attempt(string $email, #[\SensitiveParameter] string $password, string $address): ?User
    {
        $email = mb_strtolower(trim($email));
        $user = User::query()->where('email', $email)->first();

        return $this->counted($email, $address, static fn (): bool => Hash::check($password, $user->password ?? self::NOBODY) && $user !== null) ? $user : null;
    }

    /**
     * One guess about an account from an address.
     *
     * @param  \Closure(): bool  $isRight
     *
     * @throws TooManyRequestsHttpException while the wait lasts
     */
    public function counted(string $account, string $address, \Closure $isRight): bool
    {
        $key = hash('sha256', "{$account} {$address}");
        $wait = Turn::take(fn (): int => $this->count($key));
        if ($wait > 0) {
            throw new TooManyRequestsHttpException($wait);
        }
        $right = $isRight();
        $right && DB::table('sign_in_guesses')->where('key', $key)->delete();

        return $right;
    }

    /** Those that are too old to count. */
    public static function forgetGuesses(): void
    {
        DB::table('sign_in_guesses')->where('last_at', '<', now()->subHours(self::FORGOTTEN)->getTimestamp())->delete();
    }

    /** Counts a guess. @return int seconds to wait before it may be made */
    private function count(string $key): int
    {
        $guesses = DB::table('sign_in_guesses');
        self::forgetGuesses();
        $row = $guesses->clone()->where('key', $key)->first();
        $count = (int) ($row->count ?? 0);
        $wait = $count < self::FREE ? 0 : (int) $row?->last_at + min(self::LONGEST, 2 ** min(20, $count - self::FREE + 1)) - now()->getTimestamp();
        if ($wait <= 0) {
            $guesses->clone()->updateOrInsert(['key' => $key], ['count' => $count + 1, 'last_at' => now()->getTimestamp()]);
        }

        return max(0, $wait);
    }
}
