<?php

declare(strict_types=1);

namespace App\Access;

use App\Models\User;
use App\Record\Turn;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Str;

/** A code beside the password, for those who want it; and codes on paper for when the telephone is gone. */
final class SecondFactor
{
    private const RECOVERY_CODES = 8;

    /** A secret to be told to a telephone; it counts once a code of it was given. */
    public static function begin(User $user): string
    {
        $secret = TimeCode::newSecret();
        self::beginWith($user, $secret);

        return $secret;
    }

    /** @return list<string>|null codes for paper, shown this once; null when the code is wrong */
    public static function confirm(User $user, string $code): ?array
    {
        $step = $user->code_secret === null ? null : TimeCode::stepOf($code, $user->code_secret, now()->getTimestamp());
        if ($step === null) {
            return null;
        }
        $codes = array_map(static fn (): string => Str::lower(Str::random(5).'-'.Str::random(5)), range(1, self::RECOVERY_CODES));
        $user->forceFill(['code_since' => now(), 'code_step' => $step, 'recovery_codes' => array_map(Hash::make(...), $codes)])->save();

        return $codes;
    }

    public static function end(User $user): void
    {
        self::beginWith($user, null);
    }

    /** Nothing of an earlier secret is right any more. */
    private static function beginWith(User $user, ?string $secret): void
    {
        $user->forceFill(['code_secret' => $secret, 'code_since' => null, 'code_step' => 0, 'recovery_codes' => null])->save();
    }

    /** Whether a code is right, from the telephone or from paper; each is right once. */
    public static function accepts(User $user, #[\SensitiveParameter] string $code): bool
    {
        $paper = self::onPaper($user->fresh() ?? $user, $code);

        return Turn::take(static function () use ($user, $code, $paper): bool {
            $user->refresh();
            $step = TimeCode::stepOf($code, (string) $user->code_secret, now()->getTimestamp(), $user->code_step);
            if ($step !== null) {
                return $user->forceFill(['code_step' => $step])->save();
            }
            $codes = $user->recovery_codes ?? [];
            $left = array_values(array_diff($codes, [$paper]));

            return count($left) < count($codes) && $user->forceFill(['recovery_codes' => $left])->save();
        });
    }

    /** @return string|null the kept code that it is; to find out takes time, and is done before anybody has to wait for it */
    private static function onPaper(User $user, #[\SensitiveParameter] string $code): ?string
    {
        foreach ($user->recovery_codes ?? [] as $hash) {
            if (Hash::check(Str::lower(trim($code)), $hash)) {
                return $hash;
            }
        }

        return null;
    }
}
