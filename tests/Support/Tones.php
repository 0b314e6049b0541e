<?php

declare(strict_types=1);

namespace Tests\Support;

/** Tones as a bowed string makes them, for a microphone that is not there. */
final class Tones
{
    private const RATE = 48_000;

    /** How loud the partials of a tone are. */
    private const PARTIALS = [1 => 1.0, 2 => 0.5, 3 => 0.3, 4 => 0.15];

    /**
     * A WAV file, 16 bits, one channel.
     *
     * @param  list<array{int|null, float}>  $tones  MIDI number (null: silence) and seconds
     */
    public static function wav(array $tones): string
    {
        $samples = '';
        foreach ($tones as [$midi, $seconds]) {
            $count = (int) round($seconds * self::RATE);
            $hertz = $midi === null ? 0.0 : 440 * 2 ** (($midi - 69) / 12);
            for ($at = 0; $at < $count; $at++) {
                $edge = min(1, $at / 960, ($count - $at) / 960);
                $samples .= pack('v', ((int) round(9000 * $edge * self::wave($hertz, $at / self::RATE))) & 0xFFFF);
            }
        }
        $size = strlen($samples);

        return pack('A4VA4A4VvvVVvvA4V', 'RIFF', 36 + $size, 'WAVE', 'fmt ', 16, 1, 1, self::RATE, 2 * self::RATE, 2, 16, 'data', $size).$samples;
    }

    private static function wave(float $hertz, float $time): float
    {
        $sum = 0.0;
        foreach ($hertz === 0.0 ? [] : self::PARTIALS as $partial => $loud) {
            $sum += $loud * sin(2 * M_PI * $hertz * $partial * $time);
        }

        return $sum;
    }
}
