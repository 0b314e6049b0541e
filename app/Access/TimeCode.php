<?php

declare(strict_types=1);

namespace App\Access;

/**
 * Codes that change every half minute (RFC 6238, over RFC 4226's HMAC-SHA-1 with six digits), as the usual telephone programs
 * make them from a secret that is told them once. Secrets are written in base 32 (RFC 4648).
 */
final class TimeCode
{
    private const STEP_SECONDS = 30;

    private const DIGITS = 6;

    /** 160 bits, as RFC 4226 wants them. */
    private const SECRET_BYTES = 20;

    /** A telephone's clock may be so many steps off (RFC 6238, 5.2). */
    private const DRIFT = 1;

    private const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567';

    public static function newSecret(): string
    {
        return self::base32(random_bytes(self::SECRET_BYTES));
    }

    /** What is drawn as a QR code, in the form that telephone programs read. */
    public static function address(string $secret, string $account): string
    {
        return 'otpauth://totp/'.rawurlencode("Upright Pencil:{$account}").'?'.http_build_query(['secret' => $secret, 'issuer' => 'Upright Pencil'], encoding_type: PHP_QUERY_RFC3986);
    }

    /**
     * @param  int  $after  the step of the code that was used last: none is right twice
     * @return int|null the step of a right code; null when it is wrong
     */
    public static function stepOf(string $code, string $secret, int $now, int $after = 0): ?int
    {
        $code = (string) preg_replace('/\s+/', '', $code);
        for ($step = intdiv($now, self::STEP_SECONDS) - self::DRIFT; $step <= intdiv($now, self::STEP_SECONDS) + self::DRIFT; $step++) {
            if ($step > $after && hash_equals(self::at($step, $secret), $code)) {
                return $step;
            }
        }

        return null;
    }

    /** @param int $step half minutes since 1970 */
    public static function at(int $step, string $secret, int $digits = self::DIGITS): string
    {
        $hash = hash_hmac('sha1', pack('J', $step), self::bytes($secret), true);
        $offset = ord($hash[strlen($hash) - 1]) & 0x0F;
        /** @var array{1: int} $word */
        $word = unpack('N', substr($hash, $offset, 4));

        return str_pad((string) (($word[1] & 0x7FFFFFFF) % 10 ** $digits), $digits, '0', STR_PAD_LEFT);
    }

    private static function base32(string $bytes): string
    {
        $bits = implode('', array_map(static fn (string $byte): string => sprintf('%08b', ord($byte)), str_split($bytes)));

        return implode('', array_map(static fn (string $five): string => self::LETTERS[(int) bindec(str_pad($five, 5, '0'))], str_split($bits, 5)));
    }

    private static function bytes(string $base32): string
    {
        $bits = implode('', array_map(static fn (string $letter): string => sprintf('%05b', (int) strpos(self::LETTERS, $letter)), str_split(strtoupper($base32))));

        return implode('', array_map(static fn (string $eight): string => strlen($eight) === 8 ? chr((int) bindec($eight)) : '', str_split($bits, 8)));
    }
}
