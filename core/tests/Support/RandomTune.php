<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Support;

use Random\Engine\Mt19937;
use Random\Randomizer;

/** Made-up tunes of any kind, the same for the same seed. */
final class RandomTune
{
    private const MEASURES = [
        '4/4' => [['q', 'q', 'q', 'q'], ['h', 'q', 'q'], ['q.', 'e', 'h'], ['e', 'e', 'q', 'e', 'e', 'q'], ['w'], ['h.', 'q'], ['q', 'q', 'h'], ['q.', 'e', 'q.', 'e'], ['e', 'q', 'q', 'q', 'e']],
        '3/4' => [['q', 'q', 'q'], ['h', 'q'], ['h.'], ['q', 'h'], ['e', 'e', 'q', 'q'], ['q.', 'e', 'q']],
        '6/8' => [['q', 'e', 'q', 'e'], ['q.', 'q.'], ['e', 'e', 'e', 'q.'], ['h.']],
    ];

    private const PITCHES = ['D4', 'E4', 'F#4', 'G4', 'A4', 'B4', 'C#5', 'D5', 'E5', 'F#5', 'G5', 'A5'];

    private const LOUDNESS = ['p', 'mf', 'f', ''];

    public static function of(int $seed, bool $repeats = false): string
    {
        $random = new Randomizer(new Mt19937($seed));
        $meter = array_keys(self::MEASURES)[$random->getInt(0, 2)];
        $text = "{$meter} 2# =".(60 + 12 * $random->getInt(0, 6)).' '.self::LOUDNESS[$random->getInt(0, 3)];
        $place = $random->getInt(2, 9);
        $measures = $random->getInt(5, 12);
        $text .= $repeats ? ' |:' : '';
        for ($measure = 0; $measure < $measures; $measure++) {
            [$notes, $place] = self::measure($random, $meter, $place);
            $text .= ' '.$notes.($repeats && $measure === intdiv($measures, 2) ? ' :|' : ' |');
        }

        return trim((string) preg_replace('/\s+/', ' ', $text), '| ');
    }

    /** @return array{string, int} */
    private static function measure(Randomizer $random, string $meter, int $place): array
    {
        $rhythms = self::MEASURES[$meter];
        $words = [];
        foreach ($rhythms[$random->getInt(0, count($rhythms) - 1)] as $value) {
            $place = max(0, min(count(self::PITCHES) - 1, $place + $random->getInt(-2, 2)));
            $words[] = ($random->getInt(0, 11) === 0 ? 'r' : self::PITCHES[$place]).$value;
        }
        $sounding = array_filter($words, static fn (string $word): bool => $word[0] !== 'r');
        if (count($words) > 2 && count($sounding) === count($words) && $random->getInt(0, 2) === 0) {
            $from = $random->getInt(0, count($words) - 2);
            $words[$from] = "({$words[$from]}";
            $words[$from + 1] .= ')';
        }

        return [implode(' ', $words), $place];
    }
}
