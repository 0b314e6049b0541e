<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Support;

use UprightPencil\Core\Format\Manuscript\Signs;

/**
 * Manuscripts as a browser sends them. A note is written short: pitch (with a sign: `F#4`, `Fn4`) or `r`, value with dots, then
 * `(` `)` a slur, `~` a tie, and names of marks: `D4 4. ( staccato`. Without a pitch it is a rhythm.
 */
final class Manuscripts
{
    /**
     * @param  list<array<string, mixed>>  $measures
     * @param  array<string, mixed>  $more
     */
    public static function of(array $measures, array $more = []): string
    {
        $ids = 0;
        foreach ($measures as $index => $measure) {
            $measures[$index] = ['id' => 'x'.$index] + $measure;
            $notes = [];
            foreach (is_array($measure['notes'] ?? null) ? $measure['notes'] : [] as $note) {
                $notes[] = is_string($note) ? self::note($note, 'n'.(++$ids)) : $note;
            }
            $notes === [] || $measures[$index]['notes'] = $notes;
        }

        return self::json($more + ['format' => Signs::FORMAT, 'version' => Signs::VERSION, 'name' => 'Violin 1', 'measures' => $measures]);
    }

    /** @param array<string, mixed> $manuscript */
    public static function json(array $manuscript): string
    {
        return json_encode($manuscript, JSON_THROW_ON_ERROR);
    }

    /** @return array<string, mixed> */
    private static function note(string $text, string $id): array
    {
        $made = [];
        foreach (explode(' ', $text) as $word) {
            if ($word === 'r') {
                $made += ['id' => $id, 'rest' => true];
            } elseif (preg_match('/^([A-G])(##|bb|#|b|n)?(\d)$/', $word, $found) === 1) {
                $made += ['heads' => [['id' => $id, 'at' => $found[1].$found[3]] + ($found[2] === '' ? [] : ['sign' => $found[2]])]];
            } elseif (preg_match('/^(\d+)(\.*)$/', $word, $found) === 1) {
                $made += ['as' => (int) $found[1]] + ($found[2] === '' ? [] : ['dots' => strlen($found[2])]);
            } else {
                $made += match ($word) {
                    '(' => ['slurs' => 1],
                    ')' => ['slurEnds' => 1],
                    '~' => ['tie' => true],
                    default => ['marks' => [$word]],
                };
            }
        }

        return isset($made['heads']) || isset($made['id']) ? $made : $made + ['id' => $id];
    }
}
